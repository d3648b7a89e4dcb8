<script lang="ts">
  import { createMutation } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import { openWhile } from '../../lib/fold';
  import { say } from '../../lib/say';
  import Choice from '../../parts/Choice.svelte';
  import Copy from '../../parts/Copy.svelte';
  import May from '../../parts/May.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';

  /** What clients were asked to agree to, what they answered, and a page for one more. */
  let {
    id,
    sheet,
    waiting,
    done,
  }: { id: number; sheet: Schemas['BatchSheet']; waiting: boolean; done: () => void } = $props();
  const path = $derived({ params: { path: { id } } });
  let client = $state('');
  const whose = (name: string | null) => (name ? { client: name } : {});
  const make = createMutation(() => ({
    mutationFn: () =>
      ask(api.POST('/api/batches/{id}/agreements', { ...path, body: whose(client) })),
    onSuccess: done,
  }));
  const end = createMutation(() => ({
    mutationFn: (name: string | null) =>
      ask(api.POST('/api/batches/{id}/agreements/end', { ...path, body: whose(name) })),
    onSuccess: () => {
      make.reset();
      done();
    },
  }));
  const choices = $derived([
    ['', say.agreement.everyone] as const,
    ...sheet.clients.map((c) => [c, c] as const),
  ]);
  const mailto = $derived(
    make.data &&
      `mailto:?subject=${encodeURIComponent(say.agreement.subject(sheet.batch.title))}` +
        `&body=${encodeURIComponent(say.agreement.body(make.data.address))}`,
  );
</script>

<details class="fold" {@attach openWhile(() => sheet.agreements.length > 0)}>
  <summary>{say.agreement.title}</summary>
  <p class="max-w-[72ch]">{say.agreement.lead}</p>
  <Trouble error={make.error ?? end.error} />
  <ul>
    {#each sheet.agreements as a (a.client)}
      <li class="flex flex-wrap gap-y-1 gap-x-4 items-baseline py-1 border-t border-t-line">
        <strong>{say.agreement.of(a.client)}</strong>
        <span class="wrap-anywhere"
          >{#if a.answer === 'yes'}{say.agreement.yes(a.answered_by ?? '')}
          {:else if a.answer}{say.agreement.question(a.answered_by ?? '', a.says ?? '')}
          {:else}{say.agreement.waits}{/if}
          <When at={a.answered_at ?? a.made_at} bare /></span
        >
        {#if a.changed}<span class="text-madder">{say.agreement.changed}</span>{/if}
        <May operation="endAgreement"
          ><button
            class="link ml-auto"
            aria-label={say.agreement.endOf(say.agreement.of(a.client))}
            disabled={end.isPending}
            onclick={() => end.mutate(a.client)}>{say.agreement.end}</button
          ></May
        >
      </li>
    {/each}
  </ul>
  {#if waiting}
    <May operation="askClient">
      <div class="flex flex-wrap gap-4 items-end">
        {#if sheet.clients.length}
          <Choice id="agreement-of" label={say.agreement.whose} of={choices} bind:value={client} />
        {/if}
        <Button color="alternative" disabled={make.isPending} onclick={() => make.mutate()}
          >{say.agreement.ask}</Button
        >
      </div>
    </May>
  {/if}
  {#if make.data}
    <p>{say.agreement.once}</p>
    <p class="flex flex-wrap gap-4 items-baseline">
      <Copy text={make.data.address} what={say.agreement.address} />
      <a href={mailto}>{say.agreement.mail}</a>
    </p>
  {/if}
</details>
