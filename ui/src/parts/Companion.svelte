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
<main class="max-w-[32rem] mx-auto bg-sheet min-h-[100vh]">
  <header class="flex justify-between gap-4 py-2 px-4 font-semibold">
    {#if site}<a href={site} target="_blank" rel="noopener noreferrer">{title}</a>
    {:else}<strong>{title}</strong>{/if}
    <span class="num muted">{at ? say.companion.of(at, of) : say.companion.left(of)}</span>
  </header>
  <progress
    class="block w-full h-1 appearance-none border-0 bg-line"
    max={Math.max(1, of)}
    value={Math.max(0, at - 1)}
    aria-label={say.companion.progress}
  ></progress>
  <div class="grid gap-4 p-4 grid-cols-1">{@render children()}</div>
  <footer class="note pt-0 pb-4 px-4"><a href={back}>{say.companion.back}</a></footer>
</main>

<style>
  progress::-webkit-progress-bar {
    background: var(--line);
  }
  progress::-webkit-progress-value {
    background: var(--loden);
  }
  progress::-moz-progress-bar {
    background: var(--loden);
  }
</style>
