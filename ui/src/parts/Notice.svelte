<script lang="ts">
  import type { Snippet } from 'svelte';

  /** Something to know, set apart from the text: plain, or grave where danger is said. */
  let {
    children,
    grave = false,
    role,
  }: { children: Snippet; grave?: boolean; role?: 'alert' | 'status' } = $props();
</script>

<div
  class="bg-raised border-l-4 border-l-line py-2 px-4 my-2 mx-0 wrap-anywhere"
  class:grave
  {role}
>
  {@render children()}
</div>

<style>
  .grave {
    background: var(--madder-soft);
    border-color: var(--madder);
  }
</style>
