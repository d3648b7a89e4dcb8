<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { searchParams } from 'sv-router';
  import { api, ask } from '../../lib/api';
  import { draft, refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';
  import { day, span } from '../../lib/words';
  import { navigate, p, route } from '../../router';
  import AnswerStrip from '../../parts/AnswerStrip.svelte';
  import May from '../../parts/May.svelte';
  import Sentence from '../../parts/Sentence.svelte';
  import Sheet from '../../parts/Sheet.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import RestsOn from '../moves/RestsOn.svelte';
  import Stages from '../moves/Stages.svelte';
  import Track from '../moves/Track.svelte';
  import StageLine from '../names/StageLine.svelte';

  /** The records alone to another host: how it would go, before anything begins. */
  const client = useQueryClient();
  const name = $derived((route.params as { name: string }).name);
  const host = $derived(String(searchParams.get('host') ?? ''));
  let lower = $state<boolean | null>(null);
  const plan = createQuery(() => ({
    queryKey: ['proposal', 'handover', name, host, lower],
    queryFn: () =>
      ask(
        api.POST('/api/records/{name}/plan', {
          params: { path: { name } },
          body: { host, lower },
        }),
      ),
    enabled: Boolean(host),
    ...draft,
  }));
  const start = createMutation(() => ({
    mutationFn: async () => {
      const { fates } = await ask(
        api.POST('/api/records/move-dns', { body: { names: [name], host, lower } }),
      );
      if (fates[0]?.why) throw new Error(fates[0].why);
      return fates[0]!.id!;
    },
    onSuccess: (id) => {
      void refresh(client, 'records', 'moves', 'desk', 'hands');
      void navigate('/moves/:id', { params: { id: String(id) } });
    },
  }));
</script>

{#snippet answer()}
  {#if plan.data}{say.handoverPlan.head(plan.data.from, plan.data.to)}{/if}
{/snippet}

<Sheet
  title={say.handoverPlan.title(plan.data?.unicode ?? name)}
  back="/records"
  answer={plan.data ? answer : undefined}
>
  <Trouble error={plan.error ?? start.error} />
  {#if !host}<p>
      <a href={p('/records/:name', { params: { name } })}>{say.handoverPlan.noHost}</a>
    </p>
  {:else if plan.data}
    {@const d = plan.data}
    <p>{say.handoverPlan.stays(d.registrar)}</p>
    {#each d.cautions as caution (caution)}<p
        class="border-l-4 border-l-ochre-fill bg-ochre-soft py-2 px-4 mb-2"
      >
        <Sentence text={caution} />
      </p>{/each}
    {#if d.zone.complete}<p class="note muted"><Sentence text={d.zone.complete} /></p>{/if}
    <AnswerStrip
      finish={d.finish}
      futures={d.futures ?? null}
      uptime={d.uptime}
      drawn
      expires={d.expires_at}
    >
      {#snippet cost()}<strong>{say.handoverPlan.cost}</strong>{/snippet}
      {#snippet result()}
        {#if d.expires_at}<strong>{day(d.expires_at)}</strong>{:else}{say.proposal.notKnown}{/if}
      {/snippet}
    </AnswerStrip>
    {#if d.zone.greatest && d.zone.greatest > 300}
      <label
        ><input
          type="checkbox"
          checked={d.zone.lowered !== null}
          onchange={(e) => (lower = e.currentTarget.checked)}
        />
        {say.handoverPlan.lower(span(d.zone.greatest * 1000))}</label
      >
    {/if}
    <div class="start flex flex-wrap items-center gap-y-2 gap-x-4 my-4 mx-0" data-act>
      <May operation="moveDns"
        ><Button disabled={start.isPending} onclick={() => start.mutate()}
          >{say.handoverPlan.start}</Button
        ></May
      >
      <span class="note muted">{say.handoverPlan.startNote}</span>
    </div>
    <StageLine steps={d.steps} blocks={d.blocks} />
    <details class="fold">
      <summary>{say.proposal.stepsTitle}</summary>
      <Track steps={d.steps} blocks={d.blocks} finish={d.finish} futures={d.futures ?? undefined} />
      <Stages steps={d.steps} open={false} />
    </details>
    <RestsOn steps={d.rests_on} />
  {:else if plan.isPending}<p class="muted" role="status">{say.handoverPlan.planning}</p>{/if}
</Sheet>
