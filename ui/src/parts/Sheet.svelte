<script lang="ts">
  import type { Snippet } from 'svelte';
  import { typing } from '../lib/keys';
  import { keptSearch } from '../lib/list';
  import { navigate } from '../router';
  import { say } from '../lib/say';

  let {
    title,
    back,
    children,
    mono = false,
    kicker,
    answer,
  }: {
    title: string;
    back: '/names' | '/moves' | '/records' | '/batches';
    children: Snippet;
    mono?: boolean;
    /** What else stands in the small line above the answer. */
    kicker?: Snippet | undefined;
    /** What the sheet answers, in one sentence; without one the title is the head. */
    answer?: Snippet | undefined;
  } = $props();

  let heading = $state<HTMLElement>();

  // In a field, Esc only leaves the field: what was typed stays.
  function onkeydown(e: KeyboardEvent) {
    if (e.key !== 'Escape' || e.defaultPrevented || document.querySelector('dialog[open]')) return;
    if (typing(e)) heading?.focus();
    else void navigate(back, { search: keptSearch() });
  }
</script>

<svelte:window {onkeydown} />
<section class="panel" aria-label={title}>
  <header>
    <div>
      <h1 bind:this={heading} tabindex="-1">
        {#if answer}
          <span class="note title" class:mono>{title}</span>
          <span class="answer">{@render answer()}</span>
        {:else}<span class:mono>{title}</span>{/if}
      </h1>
      {#if kicker}<div class="note muted kicker">{@render kicker()}</div>{/if}
    </div>
    <button onclick={() => navigate(back, { search: keptSearch() })} title={say.sheet.closeEsc}
      >{say.sheet.close}</button
    >
  </header>
  {@render children()}
</section>

<style>
  header {
    display: flex;
    justify-content: space-between;
    align-items: start;
    gap: 16px;
    margin-bottom: 8px;
  }
  section {
    container: sheet / inline-size;
  }
  h1 {
    overflow-wrap: anywhere;
  }
  .title {
    display: block;
    font-weight: 400;
  }
  .answer {
    display: block;
  }
  .kicker {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 16px;
    align-items: baseline;
    margin-top: 4px;
  }
  button {
    color: var(--muted);
    border: 1px solid var(--line);
    border-radius: var(--radius);
    padding: 2px 8px;
    cursor: pointer;
  }
</style>
