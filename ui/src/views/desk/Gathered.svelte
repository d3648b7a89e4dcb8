<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import type { Gathered } from '../../lib/gathered';
  import { p } from '../../router';

  let { cards }: { cards: Gathered[] } = $props();
</script>

{#each cards as card (card.sentence)}
  <article class="box raised">
    <p class="what">{card.sentence}</p>
    <p class="muted">{card.more}</p>
    <div><Button size="sm" href={p('/by-hand')} data-row>{card.act}</Button></div>
  </article>
{/each}

<style>
  article {
    border-left: 4px solid var(--loden);
    padding: 0.8rem 0.9rem;
    display: grid;
    gap: 0.4rem;
  }
  .what {
    font-weight: 650;
  }
  p {
    overflow-wrap: anywhere;
  }
</style>
