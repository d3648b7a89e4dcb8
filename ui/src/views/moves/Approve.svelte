<script lang="ts">
  import type { MoveSheet } from '../../lib/api';
  import ForGood from '../../parts/ForGood.svelte';
  import { say } from '../../lib/say';

  /** The first of the acts, so that it never stands where another stood a moment ago. */
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
