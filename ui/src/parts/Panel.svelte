<script lang="ts">
  import type { Snippet } from 'svelte';

  /** A button, and what it unfolds below itself: Esc and a click elsewhere close it again. */
  let {
    label,
    right = false,
    on = false,
    open = $bindable(false),
    children,
  }: {
    label: string;
    /** Does it open towards the left? */
    right?: boolean;
    /** Does something of what lies in it act now? */
    on?: boolean;
    open?: boolean;
    children: Snippet;
  } = $props();
  let root = $state<HTMLDivElement>();
  let opener = $state<HTMLButtonElement>();

  function onkeydown(e: KeyboardEvent) {
    if (e.key !== 'Escape' || !open) return;
    e.preventDefault();
    e.stopPropagation();
    open = false;
    opener?.focus();
  }
  const outside = (e: Event) => root && !root.contains(e.target as Node) && (open = false);
</script>

<svelte:window onclick={outside} />
<div class="unfolding" role="presentation" bind:this={root} {onkeydown}>
  <button
    class="chip"
    bind:this={opener}
    aria-expanded={open}
    class:on
    onclick={() => (open = !open)}>{label} <span aria-hidden="true">▾</span></button
  >
  {#if open}<div class="panel under" class:right role="group" aria-label={label}>
      {@render children()}
    </div>{/if}
</div>

<style>
  .unfolding {
    position: relative;
  }
  .under {
    position: absolute;
    top: calc(100% + 4px);
    left: 0;
    z-index: 20;
    display: grid;
    gap: 8px;
    grid-template-columns: minmax(0, 1fr);
    width: max-content;
    max-width: min(24rem, 90vw);
    background: var(--raised);
    box-shadow: 0 4px 14px rgb(0 0 0 / 18%);
  }
  .right {
    left: auto;
    right: 0;
  }
  @media (max-width: 760px) {
    .unfolding {
      position: static;
    }
    .under {
      left: 16px;
      right: 16px;
      top: auto;
      width: auto;
      max-width: none;
    }
  }
</style>
