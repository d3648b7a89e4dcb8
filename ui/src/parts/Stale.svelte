<script lang="ts">
  import { line } from '../lib/live.svelte';
  import { say } from '../lib/say';

  /**
   * What was worked out is older than what it rests on: said, and worked out again only when
   * somebody asks.
   */
  let { at, again }: { at: number; again: () => void } = $props();
</script>

{#if at && line.changed > at}
  <p class="stale border-l-4 border-l-ochre pl-2" role="status">
    {say.stale.somethingChangedSince}
    <button class="link" type="button" onclick={again}>{say.stale.recalculate}</button>
  </p>
{/if}
