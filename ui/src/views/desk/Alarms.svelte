<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import Stray from '../../parts/Stray.svelte';
  import TwoCodes from '../../parts/TwoCodes.svelte';

  /** What comes before everything else: transfers that nobody ordered, codes that differ. */
  let { strays, choices }: { strays: Schemas['Stray'][]; choices: Schemas['TwoCodes'][] } =
    $props();
</script>

{#each strays as stray (stray.name + stray.seen_at)}<Stray {stray} brief />{/each}
{#if choices.length}
  <div class="choices"><TwoCodes {choices} /></div>
{/if}
