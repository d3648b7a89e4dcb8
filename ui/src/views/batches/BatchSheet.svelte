<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import { refresh } from '../../lib/live.svelte';
  import { may, session } from '../../lib/session.svelte';
  import { whole } from '../../lib/work';
  import { money } from '../../lib/words';
  import { route } from '../../router';
  import { say } from '../../lib/say';
  import ForOthers from '../moves/ForOthers.svelte';
  import Agreements from './Agreements.svelte';
  import BatchClosing from './BatchClosing.svelte';
  import Compare from './Compare.svelte';
  import Curve from './Curve.svelte';
  import May from '../../parts/May.svelte';
  import MemberChange from './MemberChange.svelte';
  import Members from './Members.svelte';
  import Rehearsal from './Rehearsal.svelte';
  import Review from './Review.svelte';
  import Settings from './Settings.svelte';
  import Sheet from '../../parts/Sheet.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';
  import Sentence from '../../parts/Sentence.svelte';

  const client = useQueryClient();
  const id = $derived(Number((route.params as { id: string }).id));
  const path = $derived({ params: { path: { id } } });
  const sheet = createQuery(() => ({
    queryKey: ['batches', id],
    queryFn: () => ask(api.GET('/api/batches/{id}', path)),
  }));
  let progress = $state<{ done: number; of: number }>();
  type Reviewed = Schemas['BatchReview'] | Schemas['BatchState'];
  const followed = <T extends Reviewed>(answer: object) =>
    whole<T>(
      answer as T,
      (job) => ask(api.GET('/api/batch-work/{job}', { params: { path: { job } } })) as Promise<T>,
      (far) => (progress = far),
    );
  const waiting = $derived((sheet.data?.members ?? []).some((m) => m.state === 'in' && !m.move));
  const review = createQuery(() => ({
    queryKey: ['review', id],
    queryFn: async () =>
      followed<Schemas['BatchReview']>(await ask(api.POST('/api/batches/{id}/review', path))),
    enabled: waiting && sheet.data?.batch.state !== 'closed',
    staleTime: Infinity,
    gcTime: 0,
    refetchOnWindowFocus: false,
    refetchOnReconnect: false,
    retry: false,
  }));
  const again = () => {
    void review.refetch();
    void refresh(client, 'batches', 'desk', 'moves', 'hands');
  };
  const start = createMutation(() => ({
    mutationFn: async () =>
      followed<Schemas['BatchState']>(
        await ask(
          api.POST('/api/batches/{id}/start', {
            ...path,
            body: { shown: review.data!.sums.total },
          }),
        ),
      ),
    onSuccess: again,
  }));
  const approve = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/batches/{id}/approve', path)),
    onSuccess: again,
  }));
  const steer = createMutation(() => ({
    mutationFn: (act: 'halt' | 'go_on' | 'close') =>
      ask(api.POST('/api/batches/{id}/steer', { ...path, body: { act } })),
    onSuccess: again,
  }));
  // What holds for some of its names alone, beside what holds for them already.
  const mend = createMutation(() => ({
    mutationFn: ({ names, own }: { names: string[]; own: Schemas['BatchWish'] }) => {
      const before = new Map(sheet.data?.members.map((m) => [m.name, m.own] as const));
      return ask(
        api.POST('/api/batches/{id}/names', {
          ...path,
          body: {
            own: Object.fromEntries(names.map((n) => [n, { ...before.get(n), ...own }])),
          },
        }),
      );
    },
    onSuccess: again,
  }));
  const where = createMutation(() => ({
    mutationFn: (to: Record<string, string>) =>
      ask(
        api.POST('/api/batches/{id}/names', {
          ...path,
          body: {
            own: Object.fromEntries(
              Object.entries(to).map(([name, place]) => [name, { to: place }]),
            ),
          },
        }),
      ),
    onSuccess: again,
  }));
  const b = $derived(sheet.data?.batch);
  const able = $derived((review.data?.rows ?? []).filter((r) => r.startable).length);
  const sum = $derived(
    review.data?.sums.total.map(money).join(say.batch.and) || say.batch.priceNotKnown,
  );
  const names = $derived((sheet.data?.members ?? []).filter((m) => m.state !== 'dropped').length);
  const reviewed = $derived(waiting ? (review.data?.rows ?? []).map((r) => r.name) : []);
  const moving = $derived((sheet.data?.members ?? []).some((m) => m.move?.open));
</script>

{#snippet kicker()}
  {#if sheet.data && b}
    <strong>{say.batches.states[b.state]}</strong>
    <span class="num">{say.batches.names(names)}</span>
    {#if b.moving}<span class="num">{say.batches.moving(b.moving)}</span>{/if}
    {#if b.settled}<span class="num">{say.batches.settled(b.settled)}</span>{/if}
  {/if}
{/snippet}
{#snippet change(name: string)}
  {@const member = sheet.data?.members.find((m) => m.name === name)}
  {#if member}<MemberChange {id} {member} done={again} />{/if}
{/snippet}
{#snippet answer()}
  {#if review.data && waiting && b?.state === 'draft'}
    {say.batch.canStart(able, review.data.rows.length, able ? sum : '')}
  {:else if b}{say.batch.settledOf(b.settled, names)}{/if}
{/snippet}

<Sheet
  title={b?.title ?? ''}
  back="/batches"
  {kicker}
  answer={b && (b.state !== 'draft' || review.data) ? answer : undefined}
>
  <Trouble
    error={sheet.error ??
      review.error ??
      start.error ??
      where.error ??
      mend.error ??
      approve.error ??
      steer.error}
  />
  {#if sheet.data && b}
    {#each sheet.data.left_out as s (s)}<p>{s}</p>{/each}
    {#if b.state === 'asked'}
      <p>{say.batch.asked(sheet.data.asked_by ?? '')}</p>
      {#if sheet.data.asked_by !== session.who?.email}
        <May operation="approveBatch"
          ><Button disabled={approve.isPending} onclick={() => approve.mutate()}
            >{say.batch.agree}</Button
          ></May
        >
      {/if}
    {/if}
    {#if progress}<p role="status">{say.batch.lookingAt(progress.done, progress.of)}</p>{/if}
    <p class="acts">
      <May operation="startBatch">
        {#if review.data && waiting && ['draft', 'running'].includes(b.state) && able}
          {#if b.state === 'draft' || sheet.data.fresh}
            <Button disabled={start.isPending} onclick={() => start.mutate()}
              >{review.data.above.length
                ? say.batch.ask(able, sum)
                : say.batch.start(able, sum)}</Button
            >
          {/if}
        {/if}
        {#if b.state === 'running' && waiting}
          <Button color="alternative" onclick={() => steer.mutate('halt')}>{say.batch.halt}</Button>
        {/if}
        {#if b.state === 'halted'}<Button onclick={() => steer.mutate('go_on')}
            >{say.batch.goOn}</Button
          >{/if}
        {#if b.state !== 'closed' && !moving && b.started_at}
          <Button color="alternative" onclick={() => steer.mutate('close')}
            >{say.batch.close}</Button
          >
        {/if}
      </May>
      {#if waiting && b.state !== 'closed'}
        <Button color="alternative" disabled={review.isFetching} onclick={again}
          >{say.batch.again}</Button
        >
      {/if}
    </p>
    {#if review.data && waiting}
      <Review
        review={review.data}
        blackouts={sheet.data.settings.blackouts ?? []}
        change={may('changeBatchNames') ? change : undefined}
        mend={may('changeBatchNames') ? (names, own) => mend.mutate({ names, own }) : undefined}
      />
    {/if}
    {#if sheet.data.range.length}
      <h2>{say.batch.forecast}</h2>
      <Curve range={sheet.data.range} curve={sheet.data.curve} />
    {/if}
    <Compare
      names={sheet.data.members.filter((m) => m.state !== 'dropped' && !m.move).map((m) => m.name)}
      send={(to) => where.mutate(to)}
    />
    {#if waiting && b.state !== 'closed'}<Rehearsal {id} />{/if}
    {#if b.state !== 'closed'}
      <Agreements {id} sheet={sheet.data} {waiting} done={() => void sheet.refetch()} />
    {/if}
    <Members {id} members={sheet.data.members} {reviewed} done={again} />
    {#if b.started_at}
      <BatchClosing {id} ended={b.state === 'closed' || (!moving && !waiting)} />
    {/if}
    <ForOthers kind="batch" ref={id} />
    <Settings {id} sheet={sheet.data} done={again} />
    <details class="fold">
      <summary>{say.batch.journal}</summary>
      <ul>
        {#each sheet.data.lines as l (l.seq)}
          <li><When at={l.at} bare /> <Sentence text={l.says} /></li>
        {/each}
      </ul>
    </details>
  {/if}
</Sheet>
