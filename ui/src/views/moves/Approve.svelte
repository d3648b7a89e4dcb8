<script lang="ts">
  import type { MoveSheet } from '../../lib/api';
  import ForGood from '../../parts/ForGood.svelte';
  import { say } from '../../lib/say';

  /** In a row of its own, below the others: never where another button stood a moment ago. */
  let { move, busy, act }: { move: MoveSheet; busy: boolean; act: () => void } = $props();
</script>

<div>
  <ForGood
    label={say.moveSheet.approve}
    yes={say.forGood.release(move.unicode, move.to)}
    {busy}
    {act}
  />
</div>
