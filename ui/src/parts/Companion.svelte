<script lang="ts">
  import type { Snippet } from 'svelte';
  import { single } from '../lib/keys';
  import { say } from '../lib/say';

  /** A narrow window that is kept beside somebody else's page: one task at a time, what is left. */
  let {
    title,
    site,
    at,
    of,
    next,
    back,
    children,
  }: {
    title: string;
    /** The page that it stands beside. */
    site?: string | null | undefined;
    /** The task that is shown, from 1; 0 where none is. */
    at: number;
    of: number;
    next: () => void;
    /** The view that it belongs to. */
    back: string;
    children: Snippet;
  } = $props();
  function onkeydown(e: KeyboardEvent) {
    if (!single(e, 'n')) return;
    e.preventDefault();
    next();
  }
</script>

<svelte:window {onkeydown} />
<main>
  <header>
    {#if site}<a href={site} target="_blank" rel="noopener noreferrer">{title}</a>
    {:else}<strong>{title}</strong>{/if}
    <span class="num muted">{at ? say.companion.of(at, of) : say.companion.left(of)}</span>
  </header>
  <progress max={Math.max(1, of)} value={Math.max(0, at - 1)} aria-label={say.companion.progress}
  ></progress>
  <div class="task">{@render children()}</div>
  <footer class="note"><a href={back}>{say.companion.back}</a></footer>
</main>

<style>
  main {
    max-width: 32rem;
    margin: 0 auto;
    background: var(--sheet);
    min-height: 100vh;
  }
  header {
    display: flex;
    justify-content: space-between;
    gap: 16px;
    padding: 8px 16px;
    font-weight: 600;
  }
  progress {
    display: block;
    width: 100%;
    height: 4px;
    appearance: none;
    border: 0;
    background: var(--line);
  }
  progress::-webkit-progress-bar {
    background: var(--line);
  }
  progress::-webkit-progress-value {
    background: var(--loden);
  }
  progress::-moz-progress-bar {
    background: var(--loden);
  }
  .task {
    display: grid;
    gap: 16px;
    padding: 16px;
    grid-template-columns: minmax(0, 1fr);
  }
  footer {
    padding: 0 16px 16px;
  }
</style>
