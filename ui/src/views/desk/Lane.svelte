<script lang="ts">
  import type { Card as CardData, Turn } from '../../lib/api';
  import type { Gathered as GatheredCard } from '../../lib/gathered';
  import { inParts } from '../../lib/part.svelte';
  import More from '../../parts/More.svelte';
  import TurnMark from '../../parts/TurnMark.svelte';
  import Card from './Card.svelte';
  import Gathered from './Gathered.svelte';

  let {
    turn,
    cards,
    byPlace,
    empty,
  }: { turn: Turn; cards: CardData[]; byPlace: GatheredCard[]; empty: string } = $props();
  // What has a deadline or is stuck stands before what is done by hand in one's own time.
  const presses = (c: CardData) => (c.can_approve && c.until !== null) || c.phase === 'stuck';
  const sorted = $derived([...cards.filter(presses), ...cards.filter((c) => !presses(c))]);
  // More cards than these nobody reads; the rest is a press away.
  const part = inParts(() => sorted, 24);
  const pressing = $derived(part.shown.filter(presses));
  const rest = $derived(part.shown.slice(pressing.length));
  const count = $derived(cards.length + byPlace.length);
</script>

<section class:none={!count}>
  <h2><TurnMark {turn} words /> <span class="num muted">{count}</span></h2>
  <div class="cards">
    {#each pressing as card (card.id)}<Card {card} />{/each}
    <Gathered cards={byPlace} />
    {#each rest as card (card.id)}<Card {card} />{/each}
  </div>
  <More there={part.left > 0} busy={false} more={part.more} />
  {#if !count}<p class="empty">{empty}</p>{/if}
</section>

<style>
  section {
    display: grid;
    align-content: start;
    gap: 0.6rem;
  }
  .cards {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(17rem, 100%), 1fr));
    gap: 0.6rem;
    align-items: start;
  }
  h2 {
    display: flex;
    justify-content: space-between;
    padding-bottom: 0.3rem;
    border-bottom: 2px solid var(--line);
  }
</style>
