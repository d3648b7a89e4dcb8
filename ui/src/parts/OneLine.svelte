<script lang="ts">
  import type { Snippet } from 'svelte';

  /** A form on one line, as far as it goes. */
  let { children, submit }: { children: Snippet; submit: () => void } = $props();

  function onsubmit(e: SubmitEvent) {
    e.preventDefault();
    submit();
  }
</script>

<form class="inline" {onsubmit}>{@render children()}</form>
