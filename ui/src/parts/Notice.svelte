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
  class={[
    'border-l-4 py-2 px-4 my-2 mx-0 wrap-anywhere',
    grave ? 'bg-madder-soft border-l-madder' : 'bg-raised border-l-line',
  ]}
  {role}
>
  {@render children()}
</div>
