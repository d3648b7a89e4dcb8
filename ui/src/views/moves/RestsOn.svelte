<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { say } from '../../lib/say';

  /** Which durations of a forecast rest on finished moves, and on how many. */
  let { steps }: { steps: Schemas['RestsOn'][] } = $props();
</script>

{#if steps.length}
  <details>
    <summary class="muted">{say.restsOn.title(steps.length)}</summary>
    <ul>
      {#each steps as s (s.step)}<li>{say.restsOn.row(s.step, s.moves)}</li>{/each}
    </ul>
  </details>
{/if}
