<script lang="ts">
  import type { Snippet } from 'svelte';

  /**
   * Parts of a sheet of which one is shown at a time. Arrows walk the tabs, and only the chosen one
   * is a stop of the Tab key (WAI-ARIA Authoring Practices, Tabs).
   */
  let {
    label,
    of,
    chosen,
    choose,
    children,
  }: {
    label: string;
    of: { id: string; title: string }[];
    chosen: string;
    choose: (id: string) => void;
    children: Snippet<[string]>;
  } = $props();
  const uid = $props.id();
  let row = $state<HTMLElement>();

  const STEPS: Record<string, number> = { ArrowRight: 1, ArrowLeft: -1 };
  function onkeydown(e: KeyboardEvent) {
    const at = of.findIndex((t) => t.id === chosen);
    const ends: Record<string, number> = { Home: 0, End: of.length - 1 };
    const step = STEPS[e.key];
    const next = step ? (at + step + of.length) % of.length : ends[e.key];
    if (next === undefined) return;
    e.preventDefault();
    e.stopPropagation();
    choose(of[next]!.id);
    row?.querySelectorAll<HTMLElement>('[role=tab]')[next]?.focus();
  }
</script>

<div class="tabs" role="tablist" aria-label={label} tabindex="-1" bind:this={row} {onkeydown}>
  {#each of as tab (tab.id)}
    <button
      type="button"
      role="tab"
      id="{uid}-{tab.id}"
      aria-controls="{uid}-panel"
      aria-selected={tab.id === chosen}
      tabindex={tab.id === chosen ? 0 : -1}
      onclick={() => choose(tab.id)}>{tab.title}</button
    >
  {/each}
</div>
<div id="{uid}-panel" role="tabpanel" aria-labelledby="{uid}-{chosen}" class="chosen">
  {@render children(chosen)}
</div>

<style>
  .tabs {
    display: flex;
    flex-wrap: wrap;
    gap: 0 16px;
    margin-top: 16px;
    border-bottom: 1px solid var(--line);
  }
  button {
    padding: 8px 0;
    margin-bottom: -1px;
    color: var(--loden);
    border-bottom: 3px solid transparent;
    cursor: pointer;
  }
  [aria-selected='true'] {
    color: var(--ink);
    font-weight: 600;
    border-bottom-color: var(--loden);
  }
  .chosen {
    padding-top: 8px;
  }
  @media (forced-colors: active) {
    button {
      border-bottom-color: Canvas;
    }
    [aria-selected='true'] {
      border-bottom-color: Highlight;
    }
  }
</style>
