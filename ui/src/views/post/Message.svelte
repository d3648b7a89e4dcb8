<script lang="ts">
  import Download from '../../parts/Download.svelte';
  import { at } from '../../lib/base';
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import { p } from '../../router';
  import May from '../../parts/May.svelte';
  import Stray from '../../parts/Stray.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';
  import Correct from './Correct.svelte';
  import Sender from './Sender.svelte';
  import PickCode from './PickCode.svelte';
  import { refresh } from '../../lib/live.svelte';
  import { marked } from '../../lib/marked';
  import { may } from '../../lib/session.svelte';
  import { say } from '../../lib/say';

  /** One message: what it asks for, who wrote it and whether that is proven, and its text. */
  let {
    message: m,
    kind,
    kinds,
  }: {
    message: Schemas['Message'];
    kind: string;
    kinds: { id: string; title: string }[];
  } = $props();
  const client = useQueryClient();
  const again = () => refresh(client, 'post', 'moves', 'names', 'codes');
  const count = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/post/{id}/count', { params: { path: { id: m.id } } })),
    onSuccess: again,
  }));
  // A long text comes whole; a body that was left in the mailbox when somebody asks.
  const whole = createQuery(() => ({
    queryKey: ['post', 'message', m.id],
    queryFn: () => ask(api.GET('/api/post/{id}', { params: { path: { id: m.id } } })),
    enabled: m.longer,
  }));
  const body = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/post/{id}/body', { params: { path: { id: m.id } } })),
    onSuccess: again,
  }));
  // What nobody has to act on needs no warning.
  const quiet = $derived(m.kind === 'unrelated' || m.kind === 'offer');
  const acting = $derived(m.links.filter((l) => l.role !== 'other'));
  const pieces = $derived(
    marked(whole.data?.text ?? m.text, {
      links: acting.flatMap((l) => [l.url, l.words]),
      names: [...new Set([...m.names, ...m.unicode])],
      deadline: m.deadline,
    }),
  );
</script>

<article
  class="panel grid gap-2 grid-cols-1"
  class:doubtful={m.trust === 'doubtful' && !quiet}
  class:unproven={m.trust === 'unproven' && !quiet}
>
  <header>
    <p class="note muted line">
      <span>{kind}</span>
      {#if m.at}<span class="num"><When at={m.at} /></span>{/if}
      {#if m.corrected_by}<span>{say.post.correctedBy(m.corrected_by)}</span>{/if}
    </p>
    <h2 class="wrap-anywhere">{m.subject}</h2>
  </header>
  {#if m.stray}<Stray stray={m.stray} />{/if}
  <p class="line">
    {#if m.deadline}<span>{say.post.answersUntil} <When at={m.deadline} /></span>{/if}
    {#if m.move_id}<a href={p('/moves/:id', { params: { id: String(m.move_id) } })}
        >{say.post.moveLink(m.unicode.join(', '))}</a
      >{:else if m.names.length}<span>{say.post.about(m.unicode.join(', '))}</span>{/if}
  </p>
  {#if m.trust === 'unproven' && !quiet}
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
  {#if m.asks_sender && may('answerSender')}<Sender message={m.id} asked={m.asks_sender} />{/if}
  {#if m.codes.length && m.trust !== 'doubtful'}<PickCode message={m} />{/if}
  <p class="who">
    {say.post.from} <span class="mono">{m.sender}</span>
    <strong class="mark {quiet ? '' : m.trust}">{say.post.trust[m.trust]}</strong>
    {#if m.trust === 'doubtful' && !quiet}{say.post.doubtful}{/if}
    <span class="muted">{m.because.join(' ')}</span>
  </p>
  {#each acting as link (link.url + link.role)}
    <p>
      {say.post.roles[link.role]} <q>{link.words}</q>, {say.post.leadsTo(link.host ?? '–')}
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
    <pre
      class="font-sans whitespace-pre-wrap wrap-anywhere max-w-[72ch] py-4 px-0 border-t
        border-t-line">{#each pieces as piece, i (i)}{#if piece.is}<mark
            class={piece.is}
            title={say.post.marks[piece.is]}>{piece.text}</mark
          >{:else}{piece.text}{/if}{/each}{m.longer && !whole.data ? ' …' : ''}</pre>
    <Trouble error={whole.error} />
  {/if}
  <details>
    <summary>{say.post.putRight}</summary>
    <Correct message={m} {kinds} />
    {#if may('originalMessage')}
      <p>
        <Download href={at(`/api/post/${m.id}/original`)}>{say.post.asItCame}</Download>
        {say.post.whatIsMasked}
      </p>
    {/if}
  </details>
</article>

<style>
  .doubtful {
    border-left: 4px solid var(--madder);
  }
  .unproven {
    border-left: 4px solid var(--ochre-fill);
  }
  mark {
    color: inherit;
    background: none;
    border-bottom: 2px solid var(--line);
  }
  mark.deadline {
    border-color: var(--ochre-fill);
  }
  mark.link {
    border-color: var(--loden);
  }
  mark.code {
    border-color: var(--ink);
  }
  .mark {
    font-weight: 600;
    border: 0;
  }
  .mark.doubtful {
    color: var(--madder);
  }
  .line {
    display: flex;
    flex-wrap: wrap;
    gap: 0 16px;
    align-items: center;
  }
</style>
