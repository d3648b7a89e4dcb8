<script lang="ts">
  import type { Snippet } from 'svelte';

  /**
   * A list, and the sheet of one of its rows beside it; where there is no room for both, the sheet
   * alone. What is only for the whole width carries the class “wide”.
   */
  let {
    open,
    half = false,
    alone = false,
    listed,
    sheet,
  }: {
    /** Is a sheet open? */
    open: boolean;
    /** The list keeps nearly half of the width, and the sheet scrolls by itself. */
    half?: boolean;
    /** An open sheet takes the whole width. */
    alone?: boolean;
    listed: Snippet;
    sheet: Snippet;
  } = $props();
</script>

<main class:beside={open && !alone} class:half>
  {#if !(open && alone)}<div class="list min-w-0">{@render listed()}</div>{/if}
  {#if open}<div class="sheet min-w-0">{@render sheet()}</div>{/if}
</main>

<style>
  main {
    padding: 16px 16px calc(16px + var(--tray, 0px));
    display: grid;
    gap: 16px;
    grid-template-columns: minmax(0, 1fr);
    align-items: start;
  }
  .beside {
    grid-template-columns: minmax(0, 3fr) minmax(0, 9fr);
  }
  .beside.half {
    grid-template-columns: minmax(0, 5fr) minmax(0, 7fr);
  }
  .beside .list :global(.wide) {
    display: none;
  }
  .half .sheet {
    max-height: calc(100vh - 5rem - var(--tray, 0px));
    overflow-y: auto;
  }
  .list :global(h1) {
    margin-bottom: 8px;
  }
  @media (max-width: 800px) {
    .beside,
    .beside.half {
      grid-template-columns: minmax(0, 1fr);
    }
    .beside .list {
      display: none;
    }
    .half .sheet {
      max-height: none;
    }
  }
</style>
