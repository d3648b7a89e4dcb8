<script lang="ts">
  let { error }: { error: Error | null } = $props();
</script>

{#if error}<p role="alert">{error.message}</p>{/if}

<style>
  p {
    background: var(--madder-soft);
    color: var(--ink);
    border-left: 4px solid var(--madder);
    padding: 0.5rem 0.8rem;
    margin: 0.5rem 0;
  }
</style>
