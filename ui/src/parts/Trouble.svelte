<script lang="ts">
  import Notice from './Notice.svelte';

  /** What went wrong, as one sentence. */
  let { error }: { error: Error | null } = $props();
</script>

{#if error}<Notice grave role="alert"><p>{error.message}</p></Notice>{/if}
