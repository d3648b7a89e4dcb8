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
            <li class:done={item.state !== 'open'}>
              <span>{item.says}</span>
              <span class="acts">
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
                  onsubmit={(e) => {
                    e.preventDefault();
                    settle.mutate({ key: item.key, state: 'kept', reason });
                  }}
                >
                  <label
                    >{say.closing.why}
                    <input class="plain" bind:value={reason} required maxlength="300" /></label
                  >
                  <button class="link" type="submit">{say.closing.states.kept}</button>
                </form>
              {/if}
            </li>
          {:else}
            <li>{part.lines[0]}</li>
          {/each}
        </ul>
      {/if}
    {/each}
    <p class="acts">
      <a href={at(`/api/closing/move/${id}/page`)} target="_blank" rel="noopener"
        >{say.closing.page}</a
      >
      <a href={at(`/api/closing/move/${id}/pdf`)} download>{say.closing.pdf}</a>
    </p>
  {/if}
</details>

<style>
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 4px 16px;
    padding: 4px 0;
    border-top: 1px solid var(--line);
    overflow-wrap: anywhere;
  }
  .done > span:first-child {
    color: var(--muted);
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 16px;
    align-items: center;
  }
  form {
    grid-column: 1 / -1;
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
  }
  input {
    background: var(--raised);
    color: var(--ink);
    border: 1px solid var(--line);
    padding: 2px 8px;
  }
  @media (max-width: 800px) {
    li {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
