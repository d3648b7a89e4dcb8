<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask, type Card as CardData, type Turn } from '../../lib/api';
  import { gathered } from '../../lib/gathered';
  import { TURNS } from '../../lib/words';
  import { p } from '../../router';
  import Sentence from '../../parts/Sentence.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import TurnMark from '../../parts/TurnMark.svelte';
  import When from '../../parts/When.svelte';
  import Card from './Card.svelte';
  import Stray from './Stray.svelte';
  import Gathered from './Gathered.svelte';
  import { say } from '../../lib/say';

  const desk = createQuery(() => ({ queryKey: ['desk'], queryFn: () => ask(api.GET('/api/desk')) }));
  const places = createQuery(() => ({ queryKey: ['accounts'], queryFn: () => ask(api.GET('/api/accounts')) }));
  const lanes: { turn: Turn; empty: string }[] = [
    {
      turn: 'yours',
      empty: say.desk.approvalsAndDecisionsThatOnly,
    },
    {
      turn: 'theirs',
      empty: say.desk.whatARegistrarOrThe,
    },
    { turn: 'clock', empty: say.desk.whatOnlyNeedsTimeSuch },
  ];
  // What is done by hand stands gathered by place.
  const shown = (turn: Turn) => desk.data!.lanes[turn].filter((c) => turn !== 'yours' || !c.by_hand);
  const hands = createQuery(() => ({ queryKey: ['hands'], queryFn: () => ask(api.GET('/api/hands')) }));
  const byPlace = $derived(gathered(hands.data));
  // What has a deadline or is stuck stands before what is done by hand in one's own time.
  const presses = (c: CardData) => (c.can_approve && c.until !== null) || c.phase === 'stuck';
  // More cards than these nobody reads; the rest is a press away.
  const MOST = 24;
  let whole = $state<Turn[]>([]);
  const inOrder = (turn: Turn) => {
    const cards = shown(turn);
    const first = whole.includes(turn) ? cards.length : MOST;
    const pressing = cards.filter(presses);
    const rest = cards.filter((c) => !presses(c));
    return [pressing.slice(0, first), rest.slice(0, Math.max(0, first - pressing.length))] as const;
  };
  const count = (turn: Turn) => shown(turn).length + (turn === 'yours' ? byPlace.length : 0);
  // A lane takes the room that it needs: a full one stands in two columns, an empty one shrinks.
  const room = (n: number) => (n === 0 ? '10rem' : n > 2 ? 'minmax(0, 2fr)' : 'minmax(0, 1fr)');
  const idle = $derived(desk.data && Object.values(desk.data.lanes).every((l) => l.length === 0));
</script>

<main>
  <h1 class="hidden-words">{say.desk.desk}</h1>
  <Trouble error={desk.error} />
  {#if desk.data && !hands.isPending}
    <p class="hidden-words" role="status">
      {lanes.map(({ turn }) => say.desk.lane(TURNS[turn], count(turn))).join('; ')}
    </p>
    {#each desk.data.strays as stray (stray.name)}<Stray {stray} />{/each}
    {#if idle}
      <p class="start">
        {#if places.data && !places.data.accounts.length}<a href={p('/begin')}>{say.desk.beginHere}</a>{/if}
        {say.desk.nothingIsUnderWay} <a href={p('/names')}>{say.desk.chooseANameUnderNames}</a>
        {say.desk.andPlanItsMove}
      </p>
    {/if}
    <div class="lanes" style:--lanes={lanes.map(({ turn }) => room(count(turn))).join(' ')}>
      {#each lanes as { turn, empty } (turn)}
        {@const [pressing, rest] = inOrder(turn)}
        {@const left = shown(turn).length - pressing.length - rest.length}
        <section class:none={!count(turn)}>
          <h2><TurnMark {turn} words /> <span class="num muted">{count(turn)}</span></h2>
          <div class="cards">
            {#each pressing as card (card.id)}<Card {card} />{/each}
            {#if turn === 'yours'}<Gathered cards={byPlace} />{/if}
            {#each rest as card (card.id)}<Card {card} />{/each}
          </div>
          {#if left}
            <button class="link" data-row onclick={() => (whole = [...whole, turn])}
              >{say.desk.showTheOther(left)}</button
            >
          {/if}
          {#if !count(turn)}<p class="empty">{empty}</p>{/if}
        </section>
      {/each}
    </div>
    {#if desk.data.ended.length}
      <section class="ended">
        <h2>{say.desk.endedLately}</h2>
        <table class="rows">
          <tbody>
            {#each desk.data.ended as card (card.id)}
              <tr>
                <td><a href={p('/moves/:id', { params: { id: String(card.id) } })} class="mono">{card.name}</a></td>
                <td>{say.desk.fromTo(card.from, card.to)}</td>
                <td
                  >{#if card.result}<Sentence text={card.result} />{:else}{card.stage}{/if}</td
                >
              </tr>
            {/each}
          </tbody>
        </table>
      </section>
    {/if}
    {#if desk.data.changes.length}
      <section class="ended" aria-label={say.desk.changedOutside}>
        <h2>{say.desk.changedOutside}</h2>
        <table class="rows">
          <tbody>
            {#each desk.data.changes as c (c.name + c.at)}
              <tr>
                <td><a href={p('/names/:name', { params: { name: c.name } })} class="mono">{c.name}</a></td>
                <td><Sentence text={c.says} /></td>
                <td class="muted"><When at={c.at} /></td>
              </tr>
            {/each}
          </tbody>
        </table>
      </section>
    {/if}
  {/if}
</main>

<style>
  main {
    padding: 1rem;
  }
  .start {
    margin-bottom: 0.8rem;
  }
  .lanes {
    display: grid;
    grid-template-columns: var(--lanes);
    gap: 1rem;
  }
  .cards {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(17rem, 100%), 1fr));
    gap: 0.6rem;
    align-items: start;
  }
  .lanes section {
    display: grid;
    align-content: start;
    gap: 0.6rem;
  }
  h2 {
    display: flex;
    justify-content: space-between;
    padding-bottom: 0.3rem;
    border-bottom: 2px solid var(--line);
  }
  .ended {
    margin-top: 1.6rem;
  }
  .ended td:first-child {
    width: 32%;
  }
  .ended td:last-child {
    width: 40%;
  }
  @media (max-width: 800px) {
    .lanes {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
