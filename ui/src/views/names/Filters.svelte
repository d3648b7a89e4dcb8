<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { filter, put, type Asked, type NameList } from '../../lib/list';
  import Panel from '../../parts/Panel.svelte';
  import { say } from '../../lib/say';

  let {
    what,
    list,
    accounts,
  }: {
    what: Asked;
    list: NameList | undefined;
    accounts: Schemas['Accounts']['accounts'];
  } = $props();
  const GATES = {
    ready: say.filters.ready,
    needs: say.filters.needYou,
    unknown: say.filters.notKnown,
    wait: say.filters.waiting,
    blocked: say.filters.blocked,
    moving: say.filters.moving,
  };
  const GROUPS = [
    ['', say.filters.ungrouped],
    ['gate', say.filters.groupedByGate],
    ['account', say.filters.groupedByAccount],
  ] as const;
  // Nobody who keeps no clients sees anything of them.
  const clients = $derived(list?.clients ?? []);
  const groups = $derived([
    ...GROUPS,
    ...(clients.length ? [['client', say.filters.groupedByClient] as const] : []),
  ]);
  const clientsOf = $derived([
    ['', say.filters.anyClient] as const,
    ...clients.map((c) => [c.client, `${c.client} (${c.count})`] as const),
  ]);
  const accountsOf = $derived([
    ['', say.filters.anyAccount] as const,
    ...accounts.map((a) => [a.id, a.title] as const),
  ]);
  const suffixes = $derived([
    ['', say.filters.anySuffix] as const,
    ...(list?.suffixes ?? []).map((s) => [s.suffix, `.${s.suffix} (${s.count})`] as const),
  ]);
  const within = $derived([
    ['', say.filters.goesAnyTime] as const,
    ...say.filters.within.map(([days, words]) => [days, say.filters.canGo(words)] as const),
  ]);
  type Key = 'account' | 'suffix' | 'client' | 'within' | 'group';
  const FIELDS = $derived([
    { key: 'account', label: say.filters.account, of: accountsOf },
    { key: 'suffix', label: say.filters.suffix, of: suffixes },
    ...(clients.length || what.client
      ? [{ key: 'client', label: say.list.client, of: clientsOf }]
      : []),
    { key: 'within', label: say.filters.window, of: within },
    { key: 'group', label: say.filters.groupedBy, of: groups },
  ] as { key: Key; label: string; of: readonly (readonly [string, string])[] }[]);
  // What acts stands as a chip, whether its field is unfolded or not.
  const acting = $derived(
    FIELDS.flatMap(({ key, of }) => {
      const word =
        what[key] !== undefined && of.find(([value]) => value === String(what[key]))?.[1];
      return word ? [{ key, word }] : [];
    }),
  );
  const gates = $derived(what.gate ? what.gate.split(',') : []);
  let typed: ReturnType<typeof setTimeout>;

  function gate(kind: string) {
    const others = gates.filter((g) => g !== kind);
    filter('gate', (gates.includes(kind) ? others : [...gates, kind]).join(','));
  }
  function words(e: Event & { currentTarget: HTMLInputElement }) {
    const value = e.currentTarget.value;
    clearTimeout(typed);
    typed = setTimeout(() => put('q', value.trim()), 150);
  }
</script>

<div class="filters contents" role="search" aria-label={say.filters.filtersTitle}>
  <div class="min-h-[1.9rem] flex flex-wrap gap-1" role="group" aria-label={say.filters.gates}>
    {#each Object.entries(GATES) as [kind, word] (kind)}
      {#if !list || list.tally[kind] || gates.includes(kind)}
        <button class="chip" aria-pressed={gates.includes(kind)} onclick={() => gate(kind)}
          >{list?.tally[kind] ?? 0} {word}</button
        >
      {/if}
    {/each}
  </div>
  <input
    class="plain w-[11rem]"
    type="search"
    aria-label={say.filters.namesThatHold}
    placeholder={say.filters.namesThatHold2}
    value={what.q ?? ''}
    oninput={words}
  />
  <Panel label={say.filters.filters}>
    {#await import('../../parts/Choice.svelte') then { default: Choice }}
      {#each FIELDS as f (f.key)}
        <Choice
          id="filter-{f.key}"
          label={f.label}
          of={f.of}
          bind:value={() => String(what[f.key] ?? ''), (v) => filter(f.key, v || undefined)}
        />
      {/each}
    {/await}
    {#await import('./SavedFilters.svelte') then { default: SavedFilters }}<SavedFilters />{/await}
  </Panel>
  {#each acting as { key, word } (key)}
    <button
      class="chip on"
      onclick={() => filter(key, undefined)}
      aria-label={say.filters.takeOff(word)}>{word} ×</button
    >
  {/each}
</div>
