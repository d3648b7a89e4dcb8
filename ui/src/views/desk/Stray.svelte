<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api';
  import DeadlineBar from '../../parts/DeadlineBar.svelte';
  import ForGood from '../../parts/ForGood.svelte';
  import May from '../../parts/May.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';
  import { p } from '../../router';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';

  /** A transfer of a held name that nobody here ordered: what it is, until when, and how to refuse it. */
  let { stray }: { stray: Schemas['Stray'] } = $props();
  const client = useQueryClient();
  const act = createMutation(() => ({
    mutationFn: (refuse: boolean) => {
      const params = { path: { name: stray.name } };
      return refuse
        ? ask(api.POST('/api/strays/{name}/refuse', { params }))
        : ask(api.POST('/api/strays/{name}/expected', { params }));
    },
    onSettled: () => refresh(client),
  }));
</script>

<section class="box raised" role="alert">
  <p class="what">
    {say.stray.somebodyAskedFor}
    <a class="mono" href={p('/names/:name', { params: { name: stray.name } })}>{stray.unicode}</a>{say.stray
      .andNobodyHereOrderedIt}
  </p>
  <p>
    {stray.because}
    {#if stray.requested_by}{say.stray.itWasAskedForBy(stray.requested_by)}{/if}
  </p>
  {#if stray.deadline}
    <DeadlineBar since={stray.seen_at} until={stray.deadline} />
    <p>{say.stray.silenceLetsItGo} <When at={stray.deadline} /></p>
  {:else}<p>{say.stray.theDeadlineIsNotKnown}</p>{/if}
  <p class="muted">
    {stray.refusable ? say.stray.theDeskCanRefuseIt(stray.at ?? '') : say.stray.refuseItAt(stray.at ?? '')}
    {#if !stray.refusable && stray.site}<span class="mono">{stray.site}</span>{/if}
  </p>
  <Trouble error={act.error} />
  <May operation="refuseStray">
    <div class="acts">
      {#if stray.refusable}
        <ForGood
          size="sm"
          label={say.stray.refuseTheTransfer}
          yes={say.stray.yesRefuse(stray.unicode)}
          busy={act.isPending}
          act={() => act.mutate(true)}
        />
      {/if}
      <Button size="sm" color="alternative" disabled={act.isPending} onclick={() => act.mutate(false)}
        >{say.stray.itIsExpected}</Button
      >
    </div>
  </May>
</section>

<style>
  section {
    padding: 0.8rem;
    margin-bottom: 0.8rem;
    border-left: 6px solid var(--madder);
    display: grid;
    gap: 0.3rem;
  }
  .what {
    font-weight: 600;
    overflow-wrap: anywhere;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
  }
</style>
