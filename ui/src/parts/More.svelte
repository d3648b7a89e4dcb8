<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { say } from '../lib/say';

  /** The rest of a list that comes a page at a time. */
  let { there, busy, more }: { there: boolean; busy: boolean; more: () => void } = $props();
</script>

{#if there}
  <p>
    <Button size="sm" color="alternative" disabled={busy} onclick={more}>{say.more.showMore}</Button
    >
  </p>
{/if}
