<script lang="ts">
  import { say } from '../lib/say';

  /** The rest of a list that comes a page at a time. */
  let { there, busy, more }: { there: boolean; busy: boolean; more: () => void } = $props();
</script>

{#if there}
  <p>
    <button class="link" disabled={busy} onclick={more}>{say.more.showMore}</button>
  </p>
{/if}
