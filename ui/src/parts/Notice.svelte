<script lang="ts">
  import type { Snippet } from 'svelte';

  /** Something to know, set apart from the text: plain, or grave where danger is said. */
  let {
    children,
    grave = false,
    role,
  }: { children: Snippet; grave?: boolean; role?: 'alert' | 'status' } = $props();
</script>

<div class:grave {role}>{@render children()}</div>

<style>
  div {
    background: var(--raised);
    border-left: 4px solid var(--line);
    padding: 8px 16px;
    margin: 8px 0;
    overflow-wrap: anywhere;
  }
  .grave {
    background: var(--madder-soft);
    border-color: var(--madder);
  }
</style>
