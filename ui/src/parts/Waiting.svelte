<script lang="ts">
  import { useQueryClient } from '@tanstack/svelte-query';
  import { say } from '../lib/say';

  /**
   * What a view shows is still being read: said after a third of a second, and what to do when the
   * server does not answer. Nothing moves for it.
   */
  const client = useQueryClient();
  const first = { predicate: (q: { state: { data: unknown } }) => q.state.data === undefined };
  let reading = $state(false);
  // A view may ask while it works something out; this is told only after.
  $effect(() => {
    const cache = client.getQueryCache();
    const look = () => (reading = cache.findAll({ ...first, fetchStatus: 'fetching' }).length > 0);
    look();
    return cache.subscribe(() => queueMicrotask(look));
  });
  const LONG = 10_000;
  let long = $state(false);
  $effect(() => {
    long = false;
    if (!reading) return;
    const waited = setTimeout(() => (long = true), LONG);
    return () => clearTimeout(waited);
  });
  async function again() {
    await client.cancelQueries(first);
    await client.refetchQueries(first);
  }
  // A page that stays open over an upgrade asks for scripts that are gone.
  let gone = $state(false);
  $effect(() => {
    const said = () => (gone = true);
    window.addEventListener('vite:preloadError', said);
    return () => window.removeEventListener('vite:preloadError', said);
  });
</script>

{#if gone}
  <div class="waiting at-once" role="alert">
    {say.waiting.upgraded}
    <button class="link" onclick={() => location.reload()}>{say.waiting.reload}</button>
  </div>
{:else if reading}
  <div class="waiting" role="status">
    {long ? say.waiting.long : say.waiting.reading}
    {#if long}<button class="link" onclick={() => void again()}>{say.waiting.again}</button>{/if}
    <i class="last:w-[60%]"></i><i class="last:w-[60%]"></i><i class="last:w-[60%]"></i>
  </div>
{/if}

<style>
  .waiting {
    position: fixed;
    inset: auto auto 16px 16px;
    z-index: 20;
    width: 20rem;
    max-width: calc(100vw - 32px);
    padding: 8px 16px;
    background: var(--raised);
    border: 1px solid var(--line);
    border-radius: var(--radius);
    visibility: hidden;
    animation: appear 0s 0.3s forwards;
  }
  .at-once {
    animation-delay: 0s;
  }
  i {
    display: block;
    height: 8px;
    margin-top: 8px;
    background: var(--line);
    border-radius: var(--radius);
  }
  @keyframes appear {
    to {
      visibility: visible;
    }
  }
  @media (prefers-reduced-motion: reduce) {
    .waiting {
      visibility: visible;
    }
  }
</style>
