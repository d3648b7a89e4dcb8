<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask, type Turn } from '../../lib/api';
  import { gathered } from '../../lib/gathered';
  import { TURNS } from '../../lib/words';
  import { p } from '../../router';
  import Sentence from '../../parts/Sentence.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';
  import Lane from './Lane.svelte';
  import Stray from '../../parts/Stray.svelte';
  import TwoCodes from '../../parts/TwoCodes.svelte';
  import { say } from '../../lib/say';

  const desk = createQuery(() => ({
    queryKey: ['desk'],
    queryFn: () => ask(api.GET('/api/desk')),
  }));
  const places = createQuery(() => ({
    queryKey: ['accounts'],
    queryFn: () => ask(api.GET('/api/accounts')),
  }));
  const lanes: { turn: Turn; empty: string }[] = [
    {
      turn: 'yours',
      empty: say.desk.emptyYours,
    },
    {
      turn: 'theirs',
      empty: say.desk.emptyTheirs,
    },
    { turn: 'desk', empty: say.desk.whatTheDeskDoesNext },
    { turn: 'clock', empty: say.desk.emptyClock },
  ];
  // What is done by hand stands gathered by place.
  const shown = (turn: Turn) =>
    desk.data!.lanes[turn].filter((c) => turn !== 'yours' || !c.by_hand);
  const hands = createQuery(() => ({
    queryKey: ['hands'],
    queryFn: () => ask(api.GET('/api/hands')),
  }));
  const byPlace = $derived(gathered(hands.data));
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
    {#each desk.data.strays as stray (stray.name + stray.seen_at)}<Stray {stray} />{/each}
    {#if desk.data.choices.length}
      <div class="choices"><TwoCodes choices={desk.data.choices} /></div>
    {/if}
    {#if idle}
      <p class="start">
        {#if places.data && !places.data.accounts.length}<a href={p('/begin')}
            >{say.desk.beginTitle}</a
          >{/if}
        {say.desk.quiet} <a href={p('/names')}>{say.desk.quietNames}</a>
        {say.desk.andPlan}
      </p>
    {/if}
    <div class="lanes" style:--lanes={lanes.map(({ turn }) => room(count(turn))).join(' ')}>
      {#each lanes as { turn, empty } (turn)}
        <Lane {turn} {empty} cards={shown(turn)} byPlace={turn === 'yours' ? byPlace : []} />
      {/each}
    </div>
    {#if desk.data.ended.length}
      <section class="ended">
        <h2>{say.desk.endedLately}</h2>
        <table class="rows">
          <tbody>
            {#each desk.data.ended as card (card.id)}
              <tr>
                <td
                  ><a href={p('/moves/:id', { params: { id: String(card.id) } })} class="mono"
                    >{card.unicode}</a
                  ></td
                >
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
  .choices {
    margin-bottom: 0.8rem;
  }
  .lanes {
    display: grid;
    grid-template-columns: var(--lanes);
    gap: 1rem;
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
