<script lang="ts">
  import type { Snippet } from 'svelte';

  /** A word of the bar that opens a list. Esc, a choice and a click elsewhere close it. */
  let {
    label,
    title,
    within = false,
    right = false,
    head,
    children,
  }: {
    label: string;
    title?: string;
    within?: boolean;
    right?: boolean;
    head?: Snippet;
    children: Snippet;
  } = $props();
  let open = $state(false);
  let root = $state<HTMLDivElement>();
  let opener = $state<HTMLButtonElement>();

  function onkeydown(e: KeyboardEvent) {
    if (e.key !== 'Escape' || !open) return;
    e.stopPropagation();
    open = false;
    opener?.focus();
  }
</script>

<svelte:window onclick={(e) => root && !root.contains(e.target as Node) && (open = false)} />
<div class="menu relative" role="presentation" bind:this={root} {onkeydown}>
  <button
    class="p-2 border-b-[3px] border-b-transparent cursor-pointer whitespace-nowrap"
    bind:this={opener}
    aria-expanded={open}
    aria-haspopup="true"
    class:within
    {title}
    onclick={() => (open = !open)}
    >{#if head}{@render head()}{:else}{label}{/if} <span aria-hidden="true">▾</span></button
  >
  {#if open}
    <div
      class="list absolute top-full left-0 z-30 min-w-[11rem] grid p-1 bg-raised border
        border-line rounded-(--radius) shadow-over"
      class:right
      role="presentation"
      onclick={() => (open = false)}
    >
      {@render children()}
    </div>
  {/if}
</div>

<style>
  .menu > button.within {
    border-bottom-color: var(--loden);
    font-weight: 600;
  }
  @media (forced-colors: active) {
    .menu > button {
      border-bottom-color: Canvas;
    }
    .menu > button.within {
      border-bottom-color: Highlight;
    }
  }
  .list.right {
    left: auto;
    right: 0;
  }
  .list :global(:is(a, button)) {
    display: flex;
    justify-content: space-between;
    gap: 24px;
    padding: 8px 8px;
    color: var(--ink);
    text-decoration: none;
    text-align: left;
    white-space: nowrap;
    border-radius: var(--radius);
    cursor: pointer;
  }
  .list :global(:is(a, button):hover) {
    background: var(--loden-soft);
  }
  .list :global(a.here) {
    font-weight: 600;
  }
</style>
