<script lang="ts">
  import type { Snippet } from 'svelte';
  import { createQuery } from '@tanstack/svelte-query';
  import { searchParams } from 'sv-router';
  import { api, ask } from '../../lib/api';
  import { isActive, navigate, p, route } from '../../router';
  import Trouble from '../../parts/Trouble.svelte';
  import NameLine from './NameLine.svelte';

  let { children }: { children: Snippet } = $props();
  const names = createQuery(() => ({ queryKey: ['names'], queryFn: () => ask(api.GET('/api/names')) }));
  const search = $derived(String(searchParams.get('q') ?? ''));
  const shown = $derived(
    (names.data?.names ?? []).filter((n) =>
      `${n.name} ${n.unicode} ${n.account}`.includes(search.trim().toLowerCase()),
    ),
  );
  const open = $derived(!isActive('/names'));
  const current = $derived((route.params as Record<string, string | undefined>).name);
  const order = { barred: 3, wait: 2, fix: 1, clear: 0 };
  const tally = $derived(
    (names.data?.names ?? []).reduce(
      (t, n) => ({ ...t, [n.gate.kind]: (t[n.gate.kind] ?? 0) + 1 }),
      {} as Record<string, number>,
    ),
  );
  const sorted = $derived(
    [...shown].sort((a, b) => order[a.gate.kind] - order[b.gate.kind] || a.name.localeCompare(b.name)),
  );
  const words = { clear: 'clear to go', fix: 'to fix first', wait: 'waiting', barred: 'barred' };
</script>

<main class:beside={open}>
  <div class="list">
    <div class="head">
      <h1>Names</h1>
      <p class="muted tally">
        {#each Object.entries(words) as [kind, word] (kind)}{#if tally[kind]}<span>{tally[kind]} {word}</span
            >{/if}{/each}
      </p>
      <input
        type="search"
        aria-label="Search the names"
        placeholder="Search (/)"
        value={search}
        oninput={(e) =>
          e.currentTarget.value ? searchParams.set('q', e.currentTarget.value) : searchParams.delete('q')}
      />
      <button class="take" onclick={() => navigate('/names/take-in')}>Take names in</button>
    </div>
    <Trouble error={names.error} />
    {#if names.data}
      <table>
        <thead>
          <tr
            ><th>Name</th><th>Gate</th><th class="wide">Account</th><th class="wide">Expiry</th><th class="wide"
              >Lock</th
            ><th class="wide">Name servers</th></tr
          >
        </thead>
        <tbody>
          {#each sorted as row (row.name)}
            <NameLine {row} current={row.name === current} />
          {:else}
            <tr>
              <td colspan="6" class="none">
                {#if names.data.names.length}
                  No name holds “{search}”.
                {:else}
                  No names yet. <a href={p('/names/take-in')}>Take names in</a> from an account.
                {/if}
              </td>
            </tr>
          {/each}
        </tbody>
      </table>
    {/if}
  </div>
  {#if open}<div class="sheet">{@render children()}</div>{/if}
</main>

<style>
  main {
    padding: 1rem;
    display: grid;
    gap: 1rem;
    grid-template-columns: minmax(0, 1fr);
  }
  main.beside {
    grid-template-columns: minmax(0, 5fr) minmax(0, 7fr);
  }
  .beside :global(.wide) {
    display: none;
  }
  .beside .tally {
    flex: 1 0 100%;
    order: 3;
  }
  .list {
    min-width: 0;
  }
  .head {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0.3rem 1rem;
    margin-bottom: 0.6rem;
  }
  .tally {
    display: flex;
    gap: 0.3rem 1rem;
    flex-wrap: wrap;
    flex: 1;
  }
  input {
    background: var(--raised);
    border: 1px solid var(--line);
    border-radius: var(--radius);
    padding: 0.3rem 0.6rem;
    color: var(--ink);
    width: 13rem;
  }
  .take {
    border: 1px solid var(--loden);
    color: var(--loden);
    border-radius: var(--radius);
    padding: 0.25rem 0.7rem;
    cursor: pointer;
  }
  table {
    width: 100%;
    background: var(--sheet);
    border: 1px solid var(--line);
    border-radius: var(--radius);
    border-collapse: separate;
    border-spacing: 0;
  }
  th {
    text-align: left;
    font-weight: 500;
    color: var(--muted);
    padding: 0.4rem 0.8rem;
    border-bottom: 1px solid var(--line);
  }
  .none {
    padding: 2rem 1rem;
    color: var(--muted);
  }
  .sheet {
    min-width: 0;
  }
  @media (max-width: 800px) {
    main.beside {
      grid-template-columns: minmax(0, 1fr);
    }
    .beside .list {
      display: none;
    }
    .list :global(.wide) {
      display: none;
    }
  }
</style>
