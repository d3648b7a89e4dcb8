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

<div
  class="flex flex-wrap gap-x-4 mt-4 border-b border-b-line"
  role="tablist"
  aria-label={label}
  tabindex="-1"
  bind:this={row}
  {onkeydown}
>
  {#each of as tab (tab.id)}
    <button
      class="py-2 px-0 -mb-px text-loden border-b-[3px] border-b-transparent cursor-pointer"
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
<div id="{uid}-panel" role="tabpanel" aria-labelledby="{uid}-{chosen}" class="pt-2">
  {@render children(chosen)}
</div>

<style>
  [aria-selected='true'] {
    color: var(--ink);
    font-weight: 600;
    border-bottom-color: var(--loden);
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
