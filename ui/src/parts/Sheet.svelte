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
  }: {
    title: string;
    back: '/names' | '/moves' | '/records' | '/batches';
    children: Snippet;
    mono?: boolean;
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
    <h1 class:mono bind:this={heading} tabindex="-1">{title}</h1>
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
    gap: 1rem;
    margin-bottom: 0.6rem;
  }
  h1 {
    overflow-wrap: anywhere;
  }
  button {
    color: var(--muted);
    border: 1px solid var(--line);
    border-radius: var(--radius);
    padding: 0.15rem 0.6rem;
    cursor: pointer;
  }
</style>
