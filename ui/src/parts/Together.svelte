<script lang="ts">
  import type { Snippet } from 'svelte';
  import { useIsFetching } from '@tanstack/svelte-query';

  /**
   * Parts that each ask for something of their own: they appear together, so that none pushes the
   * next one down.
   */
  let { children }: { children: Snippet } = $props();
  const asking = useIsFetching();
  let begun = $state(false);
  let there = $state(false);
  $effect(() => {
    if (asking.current > 0) begun = true;
    else if (begun) there = true;
  });
  // What was asked before stands in the store already.
  $effect(() => {
    const soon = requestAnimationFrame(() => (there ||= asking.current === 0));
    return () => cancelAnimationFrame(soon);
  });
</script>

<div class="contents" class:waiting={!there}>{@render children()}</div>

<style>
  .waiting {
    display: block;
    visibility: hidden;
  }
</style>
