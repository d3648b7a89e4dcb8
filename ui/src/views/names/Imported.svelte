<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';
  import { p } from '../../router';
  import ForGood from '../../parts/ForGood.svelte';
  import May from '../../parts/May.svelte';
  import Trouble from '../../parts/Trouble.svelte';

  /** What came of an import, followed until it is done; it can be undone. */
  let { id, first }: { id: number; first?: Schemas['ImportState'] } = $props();
  const client = useQueryClient();
  /** Milliseconds between two looks while it is at work. */
  const AGAIN = 1000;
  const path = $derived({ params: { path: { id } } });
  const state = createQuery(() => ({
    queryKey: ['import', id],
    queryFn: () => ask(api.GET('/api/imports/{id}', path)),
    ...(first?.id === id && { initialData: first }),
    refetchInterval: (q) => (q.state.data?.finished ? false : AGAIN),
  }));
  const undo = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/imports/{id}/undo', path)),
    onSuccess: (data) => {
      client.setQueryData(['import', id], data);
      void refresh(client, 'names', 'accounts');
    },
  }));
  const far = $derived(state.data);
  // Those that stay: what went off again is told below.
  const stay = $derived(far ? far.added - far.refused.length : 0);
</script>

{#if far}
  <section class="panel grid gap-2 justify-items-start" aria-label={say.takeIn.outcome}>
    <p role="status">
      {#if far.undone_at}{say.takeIn.undone}
      {:else}
        <strong>{say.takeIn.came(stay, far.updated)}</strong>
        {#if far.kept < far.of}{say.takeIn.keeping(far.kept, far.of)}
        {:else if !far.finished}{say.takeIn.ofLookedUp(far.looked, far.looking)}
        {:else if far.told < stay}{say.takeIn.later(stay - far.told)}{/if}
      {/if}
    </p>
    {#if !far.undone_at}
      {#if far.accounts.length}<p>{say.takeIn.made(far.accounts)}</p>{/if}
      {#if far.refused.length}
        <p>{say.takeIn.wentOff(far.refused.length)}</p>
        <ul>
          {#each far.refused as r (r.name)}<li>
              <span class="mono">{r.unicode}</span>: {r.says}
            </li>{/each}
        </ul>
      {/if}
      {#if far.names.length}
        <p class="names flex flex-wrap gap-x-4">
          {#each far.names as { name, unicode } (name)}
            {#if !far.refused.some((r) => r.name === name)}
              <a class="mono" href={p('/names/:name', { params: { name } })}>{unicode}</a>
            {/if}
          {/each}
          {#if far.added > far.names.length}{say.takeIn.andMore(far.added - far.names.length)}{/if}
        </p>
      {/if}
      {#if far.finished}
        <May operation="undoImport"
          ><ForGood
            size="sm"
            danger
            label={say.takeIn.undo}
            yes={say.takeIn.undoSure(stay)}
            busy={undo.isPending}
            act={() => undo.mutate()}
          /></May
        >
      {/if}
    {/if}
    <Trouble error={undo.error ?? state.error} />
  </section>
{/if}
