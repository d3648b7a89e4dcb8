<script lang="ts">
  import type { Snippet } from 'svelte';
  import { createQuery } from '@tanstack/svelte-query';
  import { searchParams } from 'sv-router';
  import { api, ask, type NameRow } from '../../lib/api';
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
  const order = { clear: 0, fix: 1, wait: 2, barred: 3 };
  const tally = $derived(
    (names.data?.names ?? []).reduce(
      (t, n) => ({ ...t, [n.gate.kind]: (t[n.gate.kind] ?? 0) + 1 }),
      {} as Record<string, number>,
    ),
  );
  const COLUMNS: { id: string; title: string; by: (n: NameRow) => string; wide: boolean }[] = [
    { id: 'name', title: 'Name', by: (n) => n.unicode, wide: false },
    {
      id: 'gate',
      title: 'Gate',
      by: (n) => `${order[n.gate.kind]} ${n.gate.clears_at ?? ''} ${n.gate.fixes}`,
      wide: false,
    },
    { id: 'account', title: 'Account', by: (n) => n.account, wide: true },
    { id: 'expiry', title: 'Expiry', by: (n) => n.expires_at ?? '9', wide: true },
    { id: 'lock', title: 'Lock', by: (n) => String(n.locked), wide: true },
    { id: 'dns', title: 'Name servers', by: (n) => n.dns_host ?? n.name_servers[0] ?? '', wide: true },
  ];
  const sort = $derived(String(searchParams.get('sort') ?? 'gate'));
  const column = $derived(COLUMNS.find((c) => c.id === sort.replace(/^-/, '')) ?? COLUMNS[1]!);
  const down = $derived(sort.startsWith('-'));
  const sorted = $derived(
    [...shown].sort(
      (a, b) => (down ? -1 : 1) * column.by(a).localeCompare(column.by(b)) || a.name.localeCompare(b.name),
    ),
  );
  const sortBy = (id: string) => searchParams.set('sort', column.id === id && !down ? `-${id}` : id);
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
        aria-label="Names that hold"
        placeholder="Names that hold …"
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
          <tr>
            {#each COLUMNS as c (c.id)}
              <th class:wide={c.wide} aria-sort={c === column ? (down ? 'descending' : 'ascending') : 'none'}>
                <button onclick={() => sortBy(c.id)}>{c.title} {c === column ? (down ? '▾' : '▴') : ''}</button>
              </th>
            {/each}
          </tr>
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
  th button {
    cursor: pointer;
    white-space: nowrap;
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
