<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Operation } from '../lib/api';
  import { may } from '../lib/session.svelte';

  /** What only those see who may do it. */
  let { operation, children }: { operation: Operation; children: Snippet } = $props();
</script>

{#if may(operation)}{@render children()}{/if}
