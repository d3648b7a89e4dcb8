<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { put, type Asked, type NameList } from '../../lib/list';
  import { say } from '../../lib/say';

  let {
    what,
    list,
    accounts,
    unfolded = $bindable(false),
  }: {
    what: Asked;
    list: NameList | undefined;
    accounts: Schemas['Accounts']['accounts'];
    unfolded?: boolean;
  } = $props();
  const GATES = {
    ready: say.filters.ready,
    needs: say.filters.needYou,
    unknown: say.filters.notKnown,
    wait: say.filters.waiting,
    blocked: say.filters.blocked,
    moving: say.filters.moving,
  };
  const WITHIN = [
    [0, 'today'],
    [14, 'in 14 days'],
    [30, 'in 30 days'],
    [90, 'in 90 days'],
  ];
  // What acts although its field may be folded away.
  const acting = $derived(
    (
      [
        ['account', accounts.find((a) => a.id === what.account)?.title],
        ['suffix', what.suffix && `.${what.suffix}`],
        ['within', WITHIN.find(([days]) => days === what.within)?.[1]],
        [
          'group',
          what.group &&
            (what.group === 'gate' ? say.filters.groupedByGate : say.filters.groupedByAccount),
        ],
      ] as [keyof Asked, string | undefined][]
    ).filter(([, word]) => word),
  );
  const gates = $derived(what.gate ? what.gate.split(',') : []);
  let typed: ReturnType<typeof setTimeout>;

  function gate(kind: string) {
    put(
      'gate',
      (gates.includes(kind) ? gates.filter((g) => g !== kind) : [...gates, kind]).join(','),
    );
  }
  function words(e: Event & { currentTarget: HTMLInputElement }) {
    const value = e.currentTarget.value;
    clearTimeout(typed);
    typed = setTimeout(() => put('q', value.trim()), 150);
  }
  const chosen = (e: Event & { currentTarget: HTMLSelectElement }) => e.currentTarget.value;
</script>

<div class="filters" role="search" aria-label={say.filters.filtersTitle}>
  <div class="gates" role="group" aria-label={say.filters.gates}>
    {#each Object.entries(GATES) as [kind, word] (kind)}
      {#if !list || list.tally[kind] || gates.includes(kind)}
        <button class="chip" aria-pressed={gates.includes(kind)} onclick={() => gate(kind)}
          >{list?.tally[kind] ?? 0} {word}</button
        >
      {/if}
    {/each}
  </div>
  <input
    class="plain"
    type="search"
    aria-label={say.filters.namesThatHold}
    placeholder={say.filters.namesThatHold2}
    value={what.q ?? ''}
    oninput={words}
  />
  <button class="chip unfold" aria-expanded={unfolded} onclick={() => (unfolded = !unfolded)}
    >{say.filters.filters(acting.length)}</button
  >
  {#each acting as [key, word] (key)}
    <button
      class="chip acting"
      onclick={() => put(key, undefined)}
      aria-label={say.filters.takeOff(word)}>{word} ×</button
    >
  {/each}
  <div class="fields" class:unfolded>
    <select
      class="plain"
      aria-label={say.filters.account}
      value={what.account ?? ''}
      onchange={(e) => put('account', chosen(e))}
    >
      <option value="">{say.filters.anyAccount}</option>
      {#each accounts as a (a.id)}<option value={a.id}>{a.title}</option>{/each}
    </select>
    {#if list && list.suffixes.length > 1}
      <select
        class="plain"
        aria-label={say.filters.suffix}
        value={what.suffix ?? ''}
        onchange={(e) => put('suffix', chosen(e))}
      >
        <option value="">{say.filters.anySuffix}</option>
        {#each list.suffixes as s (s.suffix)}<option value={s.suffix}
            >.{s.suffix} ({s.count})</option
          >{/each}
      </select>
    {/if}
    <select
      class="plain"
      aria-label={say.filters.window}
      value={what.within === undefined ? '' : String(what.within)}
      onchange={(e) => put('within', chosen(e))}
    >
      <option value="">{say.filters.goesAnyTime}</option>
      {#each WITHIN as [days, words] (days)}<option value={String(days)}
          >{say.filters.canGo(words)}</option
        >{/each}
    </select>
    <select
      class="plain"
      aria-label={say.filters.groupedBy}
      value={what.group ?? ''}
      onchange={(e) => put('group', chosen(e))}
    >
      <option value="">{say.filters.ungrouped}</option>
      <option value="gate">{say.filters.groupedByGate}</option>
      <option value="account">{say.filters.groupedByAccount}</option>
    </select>
  </div>
</div>

<style>
  /* In one flow with what stands beside it. */
  .filters {
    display: contents;
  }
  .gates {
    min-height: 1.9rem;
    display: flex;
    flex-wrap: wrap;
    gap: 4px;
  }
  .chip {
    border: 1px solid var(--line);
    border-radius: 999px;
    padding: 2px 8px;
    cursor: pointer;
    background: var(--sheet);
    white-space: nowrap;
  }
  .chip[aria-pressed='true'] {
    background: var(--loden);
    color: var(--loden-ink);
    border-color: var(--loden);
  }
  input {
    width: 11rem;
  }
  select {
    max-width: 10.6rem;
  }
  .fields {
    display: contents;
  }
  .unfold,
  .acting {
    display: none;
  }
  :global(.beside) .acting {
    display: inline-block;
  }
  :global(.beside) .fields {
    display: none;
  }
  @media (max-width: 760px) {
    .unfold,
    .acting {
      display: inline-block;
    }
    .fields:not(.unfolded) {
      display: none;
    }
  }
</style>
