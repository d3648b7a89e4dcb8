<script lang="ts">
  import type { Snippet } from 'svelte';

  /** One thing that is set for the whole desk: a line with how it stands, its form on demand. */
  let {
    title,
    state,
    bad = false,
    children,
  }: { title: string; state: string; bad?: boolean; children: Snippet } = $props();
</script>

<details class="box">
  <summary class="flex flex-wrap gap-x-4 py-2 px-4 text-ink"
    ><strong class="font-semibold min-w-[16rem]">{title}</strong>
    <span class="text-muted wrap-anywhere" class:bad>{state}</span></summary
  >
  <div class="grid gap-2 pt-0 pb-4 px-4 grid-cols-1">{@render children()}</div>
</details>

<style>
  .bad {
    color: var(--madder);
  }
</style>
