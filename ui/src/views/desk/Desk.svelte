<script lang="ts" module>
  // Outside the component: the router takes one that imports for something to be fetched itself.
  const alarms = () => import('./Alarms.svelte');
</script>

<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask, type Card, type Turn } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { gathered, ofMoves } from '../../lib/gathered';
  import { keepOwn, own } from '../../lib/own';
  import { may, session } from '../../lib/session.svelte';
  import { TURNS } from '../../lib/words';
  import { p } from '../../router';
  import Sentence from '../../parts/Sentence.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';
  import Lane from './Lane.svelte';
  import { say } from '../../lib/say';

  const desk = createQuery(() => ({
    queryKey: ['desk'],
    queryFn: () => ask(api.GET('/api/desk')),
  }));
  const places = createQuery(() => ({
    queryKey: ['accounts'],
    queryFn: () => ask(api.GET('/api/accounts')),
  }));
  const OTHERS: { turn: Turn; empty: string }[] = [
    { turn: 'theirs', empty: say.desk.emptyTheirs },
    { turn: 'desk', empty: say.desk.whatTheDeskDoesNext },
    { turn: 'clock', empty: say.desk.emptyClock },
  ];
  const hands = createQuery(() => ({
    queryKey: ['hands'],
    queryFn: () => ask(api.GET('/api/hands')),
  }));
  // One's own moves, and those that nobody has taken; or all of the team's.
  const mine = $derived(own().desk?.mine ?? false);
  const isMine = (c: Card) => !mine || !c.keeper || c.keeper === session.who?.email;
  const allYours = $derived((desk.data?.lanes.yours ?? []).filter(isMine));
  const byPlace = $derived(
    gathered(ofMoves(hands.data, mine ? new Set(allYours.map((c) => c.id)) : undefined)),
  );
  // What is done by hand stands gathered by place.
  const yours = $derived(allYours.filter((c) => !c.by_hand));
  const all = $derived(Object.values(desk.data?.lanes ?? {}).flat());
  // Batches that wait for whoever reads this.
  const batches = $derived(
    (desk.data?.batches ?? []).filter((b) =>
      b.kind === 'asked'
        ? may('approveBatch') && b.not_by !== session.who?.email
        : may('changeBatchNames'),
    ),
  );
  // Rarely needed, and fetched before anything is shown: nothing jumps.
  const alarmed = $derived(!!(desk.data?.strays.length || desk.data?.choices.length));
  let Alarms = $state<Awaited<ReturnType<typeof alarms>>['default']>();
  // What can't be fetched keeps nothing else from being shown; that it can't, the frame says.
  let lost = $state(false);
  $effect(() => {
    if (alarmed)
      alarms().then(
        (part) => (Alarms = part.default),
        () => (lost = true),
      );
  });
  const wanted = $derived(
    batches.length +
      yours.length +
      byPlace.length +
      (desk.data?.strays.length ?? 0) +
      (desk.data?.choices.length ?? 0),
  );
  // Held up, or past the instant after which it is late.
  const late = $derived(
    all.filter(
      (c) =>
        c.phase === 'stuck' ||
        (c.until_means === 'late' && c.until && Date.parse(c.until) < clock.now),
    ).length,
  );
  // What could not be read is not said to be nothing.
  const head = $derived(
    hands.isError
      ? say.desk.notRead
      : all.length || wanted
        ? (may('startMove') ? say.desk.head(wanted) : say.desk.headOfTeam(wanted)) +
          say.desk.heldUp(late)
        : say.desk.quiet,
  );
  const count = (turn: Turn) =>
    turn === 'yours' ? yours.length + byPlace.length : others(turn).length;
  const others = (turn: Turn) => (desk.data?.lanes[turn] ?? []).filter(isMine);
  const whose = (only: boolean) => void keepOwn('desk', { mine: only });
  const turns: Turn[] = ['yours', 'theirs', 'desk', 'clock'];
  // What changes by itself is said; what stood there at first is read.
  const counts = $derived(
    desk.data && !hands.isPending
      ? turns.map((turn) => say.desk.lane(TURNS[turn], count(turn))).join('; ')
      : '',
  );
  let told = $state('');
  let last = '';
  $effect(() => {
    if (last && last !== counts) told = counts;
    last = counts;
  });
</script>

{#snippet over(cards: Card[])}
  <table class="rows">
    <tbody>
      {#each cards as card (card.id)}
        <tr>
          <td
            ><a href={p('/moves/:id', { params: { id: String(card.id) } })} class="mono"
              >{card.unicode}</a
            ></td
          >
          <td
            >{#if card.result}<Sentence text={card.result} />{:else}{card.stage}{/if}</td
          >
        </tr>
      {/each}
    </tbody>
  </table>
{/snippet}

<main class="pt-6 pb-8 px-6 grid gap-4 grid-cols-1 max-w-[90rem] max-[800px]:p-4">
  <Trouble error={desk.error ?? hands.error} />
  {#if desk.data && !hands.isPending && (Alarms || lost || !alarmed)}
    <header class="flex flex-wrap gap-y-2 gap-x-4 justify-between items-center">
      <h1 class="answer">{head}</h1>
      {#if all.length}
        <div role="group" aria-label={say.desk.whose}>
          <button class="chip" aria-pressed={mine} onclick={() => whose(true)}
            >{say.desk.mine}</button
          >
          <button class="chip" aria-pressed={!mine} onclick={() => whose(false)}
            >{say.desk.team}</button
          >
        </div>
      {/if}
    </header>
    <p class="hidden-words" role="status">{told}</p>
    {#if Alarms}<Alarms strays={desk.data.strays} choices={desk.data.choices} />{/if}
    {#each batches as b (b.id)}
      <p class="panel waits">
        <Sentence text={b.says} />
        <a href={p('/batches/:id', { params: { id: String(b.id) } })}>{say.desk.openBatch}</a>
      </p>
    {/each}
    {#if !all.length}
      <p>
        {#if places.data && !places.data.accounts.length}<a href={p('/begin')}
            >{say.desk.beginTitle}</a
          >{/if}
        <a href={p('/names')}>{say.desk.quietNames}</a>
        {say.desk.andPlan}
      </p>
    {/if}
    <div
      class="lanes grid grid-cols-[minmax(0,2fr)_minmax(0,1fr)] gap-6 items-start
        max-[800px]:grid-cols-1"
    >
      <Lane
        turn="yours"
        cards={yours}
        {byPlace}
        empty={all.length ? say.desk.nothing : say.desk.emptyYours}
      />
      <div class="others grid gap-6 grid-cols-1">
        {#each OTHERS as { turn, empty } (turn)}
          <Lane {turn} empty={all.length ? say.desk.nothing : empty} cards={others(turn)} />
        {/each}
      </div>
    </div>
    {#if desk.data.ended.length}
      <section class="ended" aria-label={say.desk.endedLately(desk.data.ended.length)}>
        {@render over(desk.data.ended.slice(0, 1))}
        {#if desk.data.ended.length > 1}
          <details>
            <summary>{say.desk.endedLately(desk.data.ended.length)}</summary>
            {@render over(desk.data.ended.slice(1))}
          </details>
        {/if}
      </section>
    {/if}
    {#if desk.data.changes.length}
      <details class="ended">
        <summary>{say.desk.changedOutside(desk.data.changes.length)}</summary>
        <table class="rows">
          <tbody>
            {#each desk.data.changes as c (c.name + c.at)}
              <tr>
                <td
                  ><a href={p('/names/:name', { params: { name: c.name } })} class="mono"
                    >{c.unicode}</a
                  ></td
                >
                <td><Sentence text={c.says} /></td>
                <td class="muted"><When at={c.at} /></td>
              </tr>
            {/each}
          </tbody>
        </table>
      </details>
    {/if}
  {/if}
</main>

<style>
  .ended[open] summary {
    margin-bottom: 8px;
  }
  .ended td:first-child {
    width: 32%;
  }
</style>
