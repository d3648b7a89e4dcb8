<script lang="ts">
  import type { Gathered } from '../../lib/gathered';
  import { p } from '../../router';

  /** What is to be done by hand, one a place. */
  let { cards }: { cards: Gathered[] } = $props();
</script>

{#each cards as card (card.sentence)}
  <article
    class="grid grid-cols-[minmax(0,1fr)_max-content] gap-y-1 gap-x-4 p-4 border-t
      border-t-line"
  >
    <h3 class="wrap-anywhere">{card.sentence}</h3>
    <a href={p('/by-hand')} data-row aria-label="{card.act}: {card.sentence}">{card.act}</a>
    {#if card.more}<p class="note muted wrap-anywhere col-span-full">{card.more}</p>{/if}
  </article>
{/each}
