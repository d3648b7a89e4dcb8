<script lang="ts">
  import type { Card } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { untilAt } from '../../lib/words';
  import { p } from '../../router';
  import Sentence from '../../parts/Sentence.svelte';
  import { say } from '../../lib/say';

  /** What waits for somebody else, in a line: which name, for what, until when. */
  let { card }: { card: Card } = $props();
</script>

<li class:stuck={card.phase === 'stuck'}>
  <a
    class="mono"
    href={p('/moves/:id', { params: { id: String(card.id) } })}
    data-row
    aria-label={say.card.openMoveOf(card.unicode)}>{card.unicode}</a
  >
  <p class="note">
    {#if card.says}<Sentence text={card.says} />{:else}{card.sentence}{/if}
  </p>
  {#if card.until && card.until_means === 'late'}<p class="note muted">
      {untilAt('late', card.until, clock.now)}
    </p>{/if}
</li>

<style>
  li {
    padding: 8px 16px;
    border-top: 1px solid var(--line);
    overflow-wrap: anywhere;
  }
  li:first-child {
    border-top: 0;
  }
  .stuck {
    border-left: 4px solid var(--madder);
    padding-left: 12px;
  }
</style>
