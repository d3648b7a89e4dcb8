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
  <summary><strong>{title}</strong> <span class:bad>{state}</span></summary>
  <div>{@render children()}</div>
</details>

<style>
  summary {
    display: flex;
    flex-wrap: wrap;
    gap: 0 16px;
    padding: 8px 16px;
    color: var(--ink);
  }
  strong {
    font-weight: 600;
    min-width: 16rem;
  }
  span {
    color: var(--muted);
    overflow-wrap: anywhere;
  }
  .bad {
    color: var(--madder);
  }
  div {
    display: grid;
    gap: 8px;
    padding: 0 16px 16px;
    grid-template-columns: minmax(0, 1fr);
  }
</style>
