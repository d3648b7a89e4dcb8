<script lang="ts">
  import type { Card as CardData, Turn } from '../../lib/api';
  import type { Gathered as GatheredCard } from '../../lib/gathered';
  import { inParts } from '../../lib/part.svelte';
  import More from '../../parts/More.svelte';
  import TurnMark from '../../parts/TurnMark.svelte';
  import Card from './Card.svelte';
  import Gathered from './Gathered.svelte';
  import Line from './Line.svelte';

  /** All whose turn it is: what is somebody's here as cards, the others in a line each. */
  let {
    turn,
    cards,
    byPlace = [],
    empty,
  }: { turn: Turn; cards: CardData[]; byPlace?: GatheredCard[]; empty: string } = $props();
  // What has a deadline or is stuck stands before what is done by hand in one's own time.
  const presses = (c: CardData) => (c.can_approve && c.until !== null) || c.phase === 'stuck';
  const sorted = $derived([...cards.filter(presses), ...cards.filter((c) => !presses(c))]);
  // More than these nobody reads; the rest is a press away.
  const part = inParts(() => sorted, 24);
  const pressing = $derived(part.shown.filter(presses));
  const rest = $derived(part.shown.slice(pressing.length));
  const count = $derived(cards.length + byPlace.length);
</script>

<section class="grid content-start gap-2">
  <h2 class="flex justify-between items-baseline">
    <TurnMark {turn} words /> <span class="num note muted">{count}</span>
  </h2>
  {#if !count}<p class="empty">{empty}</p>
  {:else if turn === 'yours'}
    <div class="box cards">
      {#each pressing as card (card.id)}<Card {card} />{/each}
      <Gathered cards={byPlace} />
      {#each rest as card (card.id)}<Card {card} />{/each}
    </div>
  {:else}
    <ul class="box">
      {#each part.shown as card (card.id)}<Line {card} />{/each}
    </ul>
  {/if}
  <More there={part.left > 0} busy={false} more={part.more} />
</section>

<style>
  .cards > :global(:first-child) {
    border-top: 0;
  }
</style>
