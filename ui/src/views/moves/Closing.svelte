<script lang="ts">
  import { at } from '../../lib/base';
  import { createMutation, createQuery } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api';
  import { say } from '../../lib/say';
  import May from '../../parts/May.svelte';
  import Sentence from '../../parts/Sentence.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';

  /** What came of a move: its report, and what is left at the old account as a list to cancel. */
  let { id, ended }: { id: number; ended: boolean } = $props();
  const path = $derived({ params: { path: { id } } });
  let open = $state<boolean>();
  const shown = $derived(open ?? ended);
  const report = createQuery(() => ({
    queryKey: ['move', 'closing', id],
    queryFn: () => ask(api.GET('/api/moves/{id}/closing', path)),
    enabled: shown,
  }));
  let keeping = $state('');
  let reason = $state('');
  const settle = createMutation(() => ({
    mutationFn: (body: Schemas['LeftSettled']) =>
      ask(api.POST('/api/moves/{id}/closing', { ...path, body })),
    onSuccess: () => {
      keeping = reason = '';
      void report.refetch();
    },
  }));
  const states = (state: string) => (state === 'open' ? ['cancelled', 'none', 'kept'] : ['open']);
</script>

<details class="fold" bind:open={() => shown, (v) => (open = v)}>
  <summary>{say.closing.title}</summary>
  <Trouble error={report.error ?? settle.error} />
  {#if report.data}
    {#each report.data.parts as part, i (i)}
      {#if part.heading}<h3>{part.heading}</h3>{/if}
      {#if part.heading !== say.closing.left}
        {#each part.lines as l (l)}<p><Sentence text={l} /></p>{/each}
      {:else}
        <ul>
          {#each report.data.left as item (item.key)}
            <li
              class="grid grid-cols-[minmax(0,1fr)_auto] gap-y-1 gap-x-4 py-1 px-0 border-t
                border-t-line wrap-anywhere max-[800px]:grid-cols-1"
              class:done={item.state !== 'open'}
            >
              <span>{item.says}</span>
              <span class="acts gap-y-1">
                {#if item.state !== 'open'}
                  <strong>{say.closing.states[item.state]}</strong>
                  <span class="muted"
                    >{say.closing.by(item.by ?? '')}
                    {#if item.at}<When at={item.at} bare />{/if}</span
                  >
                  {#if item.reason}<span>{item.reason}</span>{/if}
                {/if}
                <May operation="settleLeft">
                  {#each states(item.state) as state (state)}
                    <button
                      class="link"
                      onclick={() =>
                        state === 'kept'
                          ? (keeping = item.key)
                          : settle.mutate({ key: item.key, state: state as 'cancelled' })}
                      >{say.closing.states[state]}</button
                    >
                  {/each}
                </May>
              </span>
              {#if keeping === item.key}
                <form
                  class="col-span-full flex flex-wrap gap-2"
                  onsubmit={(e) => {
                    e.preventDefault();
                    settle.mutate({ key: item.key, state: 'kept', reason });
                  }}
                >
                  <label
                    >{say.closing.why}
                    <input
                      class="plain bg-raised text-ink border border-line py-0.5 px-2"
                      bind:value={reason}
                      required
                      maxlength="300"
                    /></label
                  >
                  <button class="link" type="submit">{say.closing.states.kept}</button>
                </form>
              {/if}
            </li>
          {:else}
            <li
              class="grid grid-cols-[minmax(0,1fr)_auto] gap-y-1 gap-x-4 py-1 px-0 border-t
                border-t-line wrap-anywhere max-[800px]:grid-cols-1"
            >
              {part.lines[0]}
            </li>
          {/each}
        </ul>
      {/if}
    {/each}
    <p class="acts gap-y-1">
      <a href={at(`/api/closing/move/${id}/page`)} target="_blank" rel="noopener"
        >{say.closing.page}</a
      >
      <a href={at(`/api/closing/move/${id}/pdf`)} download>{say.closing.pdf}</a>
    </p>
  {/if}
</details>

<style>
  .done > span:first-child {
    color: var(--muted);
  }
</style>
