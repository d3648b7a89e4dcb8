<script lang="ts">
  import { tie } from '../lib/tied';
  import Notice from './Notice.svelte';

  /** What went wrong, as one sentence; tied to the field that it is about. */
  let { error }: { error: Error | null } = $props();
  const id = $props.id();
  $effect(() => (error ? tie(id, error.message) : undefined));
</script>

{#if error}<Notice grave role="alert"><p {id}>{error.message}</p></Notice>{/if}
