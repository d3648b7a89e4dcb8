<script lang="ts">
  import type { Gathered } from '../../lib/gathered';
  import { p } from '../../router';

  /** What is to be done by hand, one a place. */
  let { cards }: { cards: Gathered[] } = $props();
</script>

{#each cards as card (card.sentence)}
  <article>
    <h3>{card.sentence}</h3>
    <a href={p('/by-hand')} data-row aria-label="{card.act}: {card.sentence}">{card.act}</a>
    {#if card.more}<p class="note muted">{card.more}</p>{/if}
  </article>
{/each}

<style>
  article {
    display: grid;
    grid-template-columns: minmax(0, 1fr) max-content;
    gap: 4px 16px;
    padding: 16px;
    border-top: 1px solid var(--line);
  }
  h3,
  p {
    overflow-wrap: anywhere;
  }
  p {
    grid-column: 1 / -1;
  }
</style>
