<script lang="ts">
  import type { Snippet } from 'svelte';
  import { isActive, p } from '../../router';
  import { may } from '../../lib/session.svelte';
  import { say } from '../../lib/say';

  /** Where names are held and served, who may sign in, and what the desk asks outside. */
  let { children }: { children: Snippet } = $props();
  const PARTS = [
    { path: '/accounts', title: say.accounts.registrars },
    { path: '/accounts/dns-hosts', title: say.accounts.dnsHosts },
    { path: '/accounts/people', title: say.people.people },
    { path: '/accounts/settings', title: say.settings.title },
  ] as const;
  const parts = $derived(may('addAccount') ? PARTS : PARTS.slice(0, 2));
</script>

<main class="sections">
  <nav class="flex flex-wrap gap-y-1 gap-x-4" aria-label={say.accounts.accounts}>
    {#each parts as part (part.path)}
      {@const here = isActive(part.path)}
      <a href={p(part.path)} class:here aria-current={here ? 'page' : undefined}>{part.title}</a>
    {/each}
  </nav>
  {@render children()}
</main>

<style>
  .here {
    color: var(--ink);
    font-weight: 600;
    text-decoration: none;
  }
  main :global(section > button) {
    border: 1px solid var(--loden);
    color: var(--loden);
    border-radius: var(--radius);
    padding: 4px 8px;
    cursor: pointer;
  }
  main :global(form) {
    background: var(--sheet);
    border: 1px solid var(--line);
    border-radius: var(--radius);
    padding: 16px;
    width: 100%;
    max-width: 44rem;
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(13rem, 1fr));
    gap: 8px;
    align-items: end;
  }
</style>
