<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { searchParams } from 'sv-router';
  import { api, ask, type Schemas } from '../../lib/api';
  import { picked, put } from '../../lib/list';
  import { whole } from '../../lib/work';
  import { money } from '../../lib/words';
  import { p } from '../../router';
  import Choice from '../../parts/Choice.svelte';
  import Sentence from '../../parts/Sentence.svelte';
  import Sheet from '../../parts/Sheet.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import May from '../../parts/May.svelte';
  import { draft, refresh } from '../../lib/live.svelte';
  import AimsFields from './AimsFields.svelte';
  import Ready from './Ready.svelte';
  import Stale from '../../parts/Stale.svelte';
  import { usualHost } from '../../lib/hosts';
  import { say } from '../../lib/say';

  const client = useQueryClient();
  const names = $derived(picked());
  const places = createQuery(() => ({ queryKey: ['accounts'], queryFn: () => ask(api.GET('/api/accounts')) }));
  let progress = $state<{ done: number; of: number }>();
  const to = $derived(
    String(searchParams.get('to') ?? '') || places.data?.usual_destination || places.data?.accounts[0]?.id || '',
  );
  const hosts = $derived((places.data?.hosts ?? []).filter((h) => !h.ends_with));
  const host = $derived(String(searchParams.get('host') ?? '') || usualHost(hosts)?.id || '');
  let aims = $state<Schemas['Aims']>({});
  let own = $state<Record<string, Schemas['Aims']>>({});
  const usual = $derived(places.data?.accounts.find((a) => a.id === to)?.aims ?? {});
  const body = $derived({ names, to, host: host || null, aims, own });

  type Answer = Schemas['Batch'] | (Schemas['Working'] & { job: string });
  const followed = (answer: Answer) =>
    whole<Schemas['Batch']>(
      answer,
      (job) => ask(api.GET('/api/batches/{job}', { params: { path: { job } } })),
      (far) => (progress = far),
    );
  const plan = createQuery(() => {
    const asked = body; // what this key stands for, also when it is asked again later
    return {
      queryKey: ['batch', asked],
      queryFn: async () => followed(await ask(api.POST('/api/batches/proposals', { body: asked }))),
      enabled: Boolean(asked.to && asked.names.length),
      ...draft,
    };
  });
  const start = createMutation(() => ({
    mutationFn: async () =>
      followed(await ask(api.POST('/api/batches', { body: { ...body, names: able.map((r) => r.name) } }))),
    onSuccess: () => {
      void refresh(client);
      put('tray', undefined);
    },
  }));
  const ready = createQuery(() => ({
    queryKey: ['ready', to],
    queryFn: () => ask(api.GET('/api/accounts/{id}/ready', { params: { path: { id: to } } })),
    enabled: Boolean(to),
  }));
  const shown = $derived(start.data ?? plan.data);
  const able = $derived((plan.data?.rows ?? []).filter((r) => r.startable));
  const sum = (list: Schemas['Amount'][]) => list.map(money).join(say.batch.and) || say.batch.noPriceIsKnown;
  const acts = $derived(able.reduce((n, r) => n + r.by_hand, 0));
</script>

<Sheet
  title={names.length === 1 ? say.batch.planOneName : say.batch.planNames(names.length || (shown?.rows.length ?? 0))}
  back="/names"
>
  <Trouble error={places.error ?? plan.error ?? start.error} />
  {#if places.data && !start.data}
    <div class="choices">
      <Choice
        id="b-to"
        label={say.batch.toTheAccount}
        of={places.data.accounts.map((a) => [a.id, a.title] as const)}
        bind:value={() => to, (v) => searchParams.set('to', v)}
      />
      <Choice
        id="b-host"
        label={say.batch.recordsOfNamesWhoseZone}
        of={hosts.map((h) => [h.id, h.title] as const)}
        bind:value={() => host, (v) => searchParams.set('host', v)}
      />
    </div>
    <AimsFields id="b-aims" {usual} bind:aims />
    {#if ready.data}
      <Ready
        account={to}
        checks={ready.data.checks}
        currency={plan.data?.total[0]?.currency ?? 'EUR'}
        done={() => void plan.refetch()}
      />
    {/if}
  {/if}
  {#if progress}<p role="status">{say.batch.ofLookedAt(progress.done, progress.of)}</p>{/if}
  {#if !names.length && !start.data}<p>{say.batch.theTrayIsEmptyPick}</p>{/if}
  {#if plan.data && !start.data}
    <Stale at={plan.dataUpdatedAt} again={() => void plan.refetch()} />
    <p class="sum">
      <strong>{say.batch.ofCanStart(able.length, plan.data.rows.length)}</strong>{say.batch.forTogether(
        sum(plan.data.total),
      )}{#if plan.data.saves.length}{say.batch.savingAgainstStayingAYear(sum(plan.data.saves))}{/if}.
      {#if plan.data.unpriced}{say.batch.leavesOut(plan.data.unpriced)}{/if}
      {#if plan.data.uncompared}{say.batch.savingLeavesOut(plan.data.uncompared)}{/if}
      {#if acts}{say.batch.doneByHandTheyAre(acts === 1 ? say.batch.n1ActIs : say.batch.actsAre(acts))}{/if}
    </p>
    <p>
      <May operation="startBatch"
        ><Button disabled={!able.length || start.isPending} onclick={() => start.mutate()}
          >{say.batch.startFor(
            able.length === 1 ? say.batch.n1Move : say.batch.moves(able.length),
            sum(plan.data.total),
          )}</Button
        ></May
      >
    </p>
  {/if}
  {#if start.data}
    <p role="status">
      {say.batch.movesWereStartedWhatIs(start.data.rows.filter((r) => r.move_id).length)}
      <a href={p('/by-hand')}>{say.batch.gatheredByPlace}</a>.
    </p>
  {/if}
  {#if shown}
    <ul aria-label={say.batch.eachNameOfTheBatch}>
      {#each shown.rows as r (r.name)}
        <li class:no={!r.startable}>
          <p>
            {#if r.move_id}<a class="mono" href={p('/moves/:id', { params: { id: String(r.move_id) } })}>{r.name}</a
              >{:else}<span class="mono">{r.name}</span>{/if}
            <strong>{r.move_id ? say.batch.started : r.startable ? say.batch.canStart : say.batch.cantStart}</strong>
            <span class="num">{r.startable ? (r.total ? money(r.total) : say.batch.noPriceIsKnown) : ''}</span>
            {#if r.startable && r.carries}<span class="muted">{say.batch.itsRecordsAreCarried}</span>{/if}
            {#if r.by_hand && r.startable}<span class="muted"
                >{say.batch.byHand(r.by_hand === 1 ? say.batch.n1Act : say.batch.acts(r.by_hand))}</span
              >{/if}
          </p>
          {#if !start.data}
            <details>
              <summary>{own[r.name] ? say.batch.itsOwnWishes : say.batch.otherWishes}</summary>
              <AimsFields
                id="own-{r.name}"
                usual={{ ...usual, ...aims }}
                bind:aims={() => own[r.name] ?? {}, (v) => (own = { ...own, [r.name]: v })}
              />
            </details>
          {/if}
          {#if r.startable && r.says.length}
            <details>
              <summary>{r.says.length === 1 ? say.batch.n1ThingToKnow : say.batch.thingsToKnow(r.says.length)}</summary>
              {#each r.says as s (s)}<p><Sentence text={s} /></p>{/each}
            </details>
          {:else}{#each r.says as s (s)}<p><Sentence text={s} /></p>{/each}{/if}
        </li>
      {/each}
    </ul>
  {/if}
</Sheet>

<style>
  li {
    padding: 0.4rem 0;
    border-top: 1px solid var(--line);
  }
  li p {
    display: flex;
    flex-wrap: wrap;
    gap: 0 1rem;
    overflow-wrap: anywhere;
  }
  li details p,
  li > p + p {
    display: block;
  }
  .no strong {
    color: var(--madder);
  }
  .sum {
    margin: 0.6rem 0;
  }
</style>
