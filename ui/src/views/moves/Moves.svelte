<script lang="ts">
  import type { Snippet } from 'svelte';
  import { createInfiniteQuery, createQuery } from '@tanstack/svelte-query';
  import { searchParams } from 'sv-router';
  import { api, ask } from '../../lib/api';
  import type { Zoom } from '../../lib/axis';
  import { PART } from '../../lib/part.svelte';
  import { isActive, p, route } from '../../router';
  import { TURNS } from '../../lib/words';
  import Axis from './Axis.svelte';
  import Ended from './Ended.svelte';
  import Forecast from './Forecast.svelte';
  import MovesNav from './MovesNav.svelte';
  import ListBesideSheet from '../../parts/ListBesideSheet.svelte';
  import Head from '../../parts/Head.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import TurnMark from '../../parts/TurnMark.svelte';
  import { say } from '../../lib/say';

  let { children }: { children: Snippet } = $props();
  const param = (key: string) => String(searchParams.get(key) ?? '');
  const turn = $derived(
    (param('turn') || undefined) as 'yours' | 'theirs' | 'desk' | 'clock' | undefined,
  );
  const account = $derived(param('at') || undefined);
  const batch = $derived(Number(param('batch')) || undefined);
  const late = $derived(param('late') === 'true' || undefined);
  const zoom = $derived((param('zoom') || 'week') as Zoom);
  const axis = createQuery(() => ({
    queryKey: ['moves', 'axis', { turn, account, batch, late }],
    queryFn: () => ask(api.GET('/api/axis', { params: { query: { turn, account, batch, late } } })),
    placeholderData: (before) => before,
  }));
  const places = createQuery(() => ({
    queryKey: ['accounts'],
    queryFn: () => ask(api.GET('/api/accounts')),
  }));
  const batches = createQuery(() => ({
    queryKey: ['batches'],
    queryFn: () => ask(api.GET('/api/batches')),
  }));
  const ended = createInfiniteQuery(() => ({
    queryKey: ['moves', 'ended'],
    queryFn: ({ pageParam }) =>
      ask(api.GET('/api/moves', { params: { query: { before: pageParam, state: 'ended' } } })),
    initialPageParam: undefined as number | undefined,
    getNextPageParam: (page) => page.next ?? undefined,
  }));
  const rows = $derived(axis.data?.rows ?? []);
  const current = $derived((route.params as Record<string, string | undefined>).id);
  // Beside a sheet stand so many rows around the one that is open; the others are a press away.
  let whole = $state(false);
  const from = $derived.by(() => {
    const at = rows.findIndex((r) => String(r.id) === current);
    return whole || rows.length <= 3 * PART ? 0 : Math.max(0, (Math.floor(at / PART) - 1) * PART);
  });
  const beside = $derived(
    whole || rows.length <= 3 * PART ? rows : rows.slice(from, from + 3 * PART),
  );
  const over = $derived(ended.data?.pages.flatMap((page) => page.moves) ?? []);
  const open = $derived(!isActive('/moves'));
  const filtered = $derived(Boolean(turn || account || batch || late));
  const set = (key: string, value: string) =>
    value ? searchParams.set(key, value) : searchParams.delete(key);
  const choices = $derived([
    { key: 'turn', label: say.axis.turn, none: say.axis.anyTurn, of: Object.entries(TURNS) },
    {
      key: 'at',
      label: say.axis.at,
      none: say.axis.anywhere,
      of: (places.data?.accounts ?? []).map((a) => [a.id, a.title] as const),
    },
    {
      key: 'batch',
      label: say.axis.batch,
      none: say.axis.anyBatch,
      of: (batches.data?.batches ?? []).map((b) => [String(b.id), b.title] as const),
    },
  ]);
</script>

<ListBesideSheet {open} sheet={children}>
  {#snippet listed()}
    <MovesNav />
    <Head
      title={say.moves.moves}
      answer={axis.data && !open && !filtered ? say.moves.head(rows.length) : undefined}
    />
    <Trouble error={axis.error ?? ended.error} />
    {#if !open}
      {#if rows.length || filtered}
        <p class="filters flex flex-wrap gap-y-2 gap-x-4 items-center mb-2">
          {#each choices as c (c.key)}
            <label
              ><span class="hidden-words">{c.label}</span>
              <select
                class="plain max-w-[15rem]"
                value={param(c.key)}
                onchange={(e) => set(c.key, e.currentTarget.value)}
              >
                <option value="">{c.none}</option>
                {#each c.of as [value, words] (value)}<option {value}>{words}</option>{/each}
              </select></label
            >
          {/each}
          <label
            ><input
              type="checkbox"
              checked={late}
              onchange={(e) => set('late', String(e.currentTarget.checked || ''))}
            />
            {say.axis.onlyLate}</label
          >
          <span class="zoom flex ml-auto" role="group" aria-label={say.axis.zoom}>
            {#each Object.entries(say.axis.zooms) as [z, words] (z)}
              <button
                class="aria-pressed:bg-loden-soft aria-pressed:font-semibold"
                aria-pressed={zoom === z}
                onclick={() => set('zoom', z)}>{words}</button
              >
            {/each}
          </span>
        </p>
      {/if}
      {#if rows.length}<Axis {rows} {zoom} />
      {:else if filtered}<p class="none py-8 px-4 text-muted">{say.axis.noneSo}</p>{/if}
      <Forecast expected={rows.length > 0} />
    {:else if rows.length}
      <ul class="box">
        {#each beside as m (m.id)}
          <li
            class="[content-visibility:auto] [contain-intrinsic-size:auto_3.8rem] grid
              grid-cols-[minmax(0,1fr)_max-content] gap-y-0.5 gap-x-4 py-2 px-4 border-b
              border-b-line"
            class:current={String(m.id) === current}
          >
            <a
              href={p('/moves/:id', { params: { id: String(m.id) } })}
              data-row
              aria-current={String(m.id) === current}
              class="mono">{m.unicode}</a
            >
            <span class="stage inline-flex gap-2 items-center">
              {#if m.turn}<TurnMark turn={m.turn} />{/if}
              {say.moveSheet.stages[m.kind](m.stage)}
            </span>
            {#if m.late}<span class="late text-madder font-semibold">{say.axis.late}</span>{/if}
          </li>
        {/each}
      </ul>
      {#if beside.length < rows.length}
        <button class="link" data-row onclick={() => (whole = true)}
          >{say.moves.showAll(rows.length)}</button
        >
      {/if}
    {/if}
    {#if axis.data && ended.data && !rows.length && !over.length && !filtered}
      <p class="box none py-8 px-4 text-muted">
        {say.moves.empty} <a href={p('/names')}>{say.moves.chooseOne}</a>
        {say.moves.andPlan}
      </p>
    {/if}
    <Ended
      moves={over}
      {current}
      there={ended.hasNextPage}
      busy={ended.isFetchingNextPage}
      more={() => void ended.fetchNextPage()}
    />
  {/snippet}
</ListBesideSheet>

<style>
  li a {
    grid-column: 1 / -1;
    overflow-wrap: anywhere;
  }
  .current,
  li:hover {
    background: var(--loden-soft);
  }
  .zoom button {
    padding: 4px 8px;
    border: 1px solid var(--line);
    cursor: pointer;
  }
</style>
