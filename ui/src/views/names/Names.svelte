<script lang="ts" module>
  // Outside the component: the router takes one that imports for something to be fetched itself.
  const fetched = () => import('./NameList.svelte');
</script>

<script lang="ts">
  import type { Snippet } from 'svelte';

  /** The list with its filters, tray and virtual rows is a part of its own: the Desk needs none. */
  let { children }: { children: Snippet } = $props();
</script>

{#await fetched() then { default: NameList }}<NameList {children} />{/await}
