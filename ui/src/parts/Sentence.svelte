<script lang="ts">
  import { parts } from '../lib/words';
  import When from './When.svelte';

  let { text }: { text: string } = $props();
</script>

{#each parts(text) as piece, i (i)}{#if piece.at}<When
      at={piece.at}
      bare
    />{:else}{piece.text}{/if}{/each}
