<script lang="ts">
  import type { Card } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { untilAt } from '../../lib/words';
  import { p } from '../../router';
  import { say } from '../../lib/say';

  /** What waits for somebody else, in a line: which name, for what, until when. */
  let { card }: { card: Card } = $props();
  const until = $derived(
    card.until ? untilAt(card.until_means ?? 'over', card.until, clock.now) : '',
  );
</script>

<li
  class="py-2 px-4 border-t border-t-line wrap-anywhere first:border-t-0"
  class:stuck={card.phase === 'stuck'}
>
  <a
    class="mono"
    href={p('/moves/:id', { params: { id: String(card.id) } })}
    data-row
    aria-label={say.card.openMoveOf(card.unicode)}>{card.unicode}</a
  >
  <p class="note" title={card.sentence}>
    {card.short}{#if until}<span class="muted">{` · ${until}`}</span>{/if}
  </p>
</li>

<style>
  .stuck {
    border-left: 4px solid var(--madder);
    padding-left: 12px;
  }
</style>
