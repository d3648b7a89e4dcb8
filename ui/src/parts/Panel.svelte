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
<div class="unfolding relative max-[760px]:static" role="presentation" bind:this={root} {onkeydown}>
  <button
    class="chip"
    bind:this={opener}
    aria-expanded={open}
    class:on
    onclick={() => (open = !open)}>{label} <span aria-hidden="true">▾</span></button
  >
  {#if open}<div
      class="panel under absolute top-[calc(100%_+_4px)] left-0 z-20 grid gap-2 grid-cols-1
      w-max max-w-[min(24rem,90vw)] bg-raised shadow-over"
      class:right
      role="group"
      aria-label={label}
    >
      {@render children()}
    </div>{/if}
</div>

<style>
  .right {
    left: auto;
    right: 0;
  }
  @media (max-width: 760px) {
    .under {
      left: 16px;
      right: 16px;
      top: auto;
      width: auto;
      max-width: none;
    }
  }
</style>
