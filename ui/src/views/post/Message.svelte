<script lang="ts">
  import Download from '../../parts/Download.svelte';
  import { at } from '../../lib/base';
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { untrack } from 'svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import { p } from '../../router';
  import May from '../../parts/May.svelte';
  import Stray from '../../parts/Stray.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';
  import Correct from './Correct.svelte';
  import PickCode from './PickCode.svelte';
  import { refresh } from '../../lib/live.svelte';
  import { may } from '../../lib/session.svelte';
  import { say } from '../../lib/say';

  /** One message: what it is, who wrote it and whether that is proven, what it asks for. */
  let {
    message: m,
    kinds,
    unfolded = false,
  }: {
    message: Schemas['Message'];
    kinds: { id: string; title: string }[];
    unfolded?: boolean;
  } = $props();
  const client = useQueryClient();
  const count = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/post/{id}/count', { params: { path: { id: m.id } } })),
    onSuccess: () => refresh(client, 'post', 'moves', 'names', 'codes'),
  }));
  let opened = $state(untrack(() => unfolded));
  // A long text comes whole when somebody looks at it; a body that was left in the mailbox when
  // somebody asks.
  const whole = createQuery(() => ({
    queryKey: ['post', 'message', m.id],
    queryFn: () => ask(api.GET('/api/post/{id}', { params: { path: { id: m.id } } })),
    enabled: opened && m.longer,
  }));
  const body = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/post/{id}/body', { params: { path: { id: m.id } } })),
    onSuccess: () => refresh(client, 'post', 'moves', 'names', 'codes'),
  }));
  // What nobody has to act on needs no warning.
  const quiet = $derived(m.kind === 'unrelated' || m.kind === 'offer');
  const acting = $derived(m.links.filter((l) => l.role !== 'other'));
</script>

<article
  class="box"
  class:doubtful={m.trust === 'doubtful' && !quiet}
  class:unproven={m.trust === 'unproven' && !quiet}
>
  <header>
    <strong>{kinds.find((k) => k.id === m.kind)?.title ?? m.kind}</strong>
    <span class="subject">{m.subject}</span>
    {#if m.at}<span class="muted num"><When at={m.at} /></span>{/if}
  </header>
  <p class="muted line">
    <span>{say.post.from} <span class="mono">{m.sender}</span>, {say.post.trust[m.trust]}</span>
    {#if m.move_id}<a href={p('/moves/:id', { params: { id: String(m.move_id) } })}
        >{say.post.moveLink(m.unicode.join(', '))}</a
      >{:else if m.names.length}<span>{say.post.about(m.unicode.join(', '))}</span>{/if}
    {#if m.corrected_by}<span>{say.post.correctedBy(m.corrected_by)}</span>{/if}
    {#if m.deadline}<span>{say.post.answersUntil} <When at={m.deadline} bare /></span>{/if}
  </p>
  {#if m.trust === 'doubtful' && !quiet}
    <p>{say.post.doubtful(m.because.join(' '))}</p>
  {:else if m.trust === 'unproven' && !quiet}
    <p class="line">
      {say.post.unproven}
      <May operation="countMessage"
        ><Button
          size="xs"
          color="alternative"
          disabled={count.isPending}
          onclick={() => count.mutate()}>{say.post.vouchMessage}</Button
        ></May
      >
    </p>
  {/if}
  <Trouble error={count.error} />
  {#if m.stray}<Stray stray={m.stray} />{/if}
  {#if m.codes.length && m.trust !== 'doubtful'}<PickCode message={m} />{/if}
  <details bind:open={opened}>
    <summary>{say.post.details}</summary>
    <p class="muted">{m.because.join(' ')}</p>
    {#each acting as link (link.url + link.role)}
      <p>
        {say.post.roles[link.role]} <q>{link.words}</q>, {say.post.leadsTo(link.host ?? '–')}
        <span class="mono url">{link.url}</span>
      </p>
    {/each}
    {#if m.links.length > acting.length}
      <p class="muted">{say.post.otherLinks(m.links.length - acting.length)}</p>
    {/if}
    {#if m.bodiless}
      <p>
        {say.post.onlyTheHead}
        <May operation="fetchBody"
          ><Button
            size="xs"
            color="alternative"
            disabled={body.isPending}
            onclick={() => body.mutate()}>{say.post.fetchTheBody}</Button
          ></May
        >
      </p>
      <Trouble error={body.error} />
    {:else}
      <pre>{whole.data?.text ?? m.text}{m.longer && !whole.data ? ' …' : ''}</pre>
      <Trouble error={whole.error} />
    {/if}
    {#if may('originalMessage')}
      <p>
        <Download href={at(`/api/post/${m.id}/original`)}>{say.post.asItCame}</Download>
        {say.post.whatIsMasked}
      </p>
    {/if}
    <Correct message={m} {kinds} />
  </details>
</article>

<style>
  article {
    padding: 8px 16px;
  }
  .doubtful {
    border-left: 4px solid var(--madder);
  }
  .unproven {
    border-left: 4px solid var(--ochre);
  }
  header {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 16px;
    align-items: baseline;
  }
  .subject {
    flex: 1 1 20rem;
    overflow-wrap: anywhere;
  }
  pre {
    font-family: var(--text);
    white-space: pre-wrap;
    overflow-wrap: anywhere;
    padding: 8px 0;
  }
  .line {
    display: flex;
    flex-wrap: wrap;
    gap: 0 16px;
    align-items: center;
  }
  .url {
    overflow-wrap: anywhere;
  }
</style>
