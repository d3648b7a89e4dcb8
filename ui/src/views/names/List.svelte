<script lang="ts">
  import { untrack } from 'svelte';
  import { createQueries } from '@tanstack/svelte-query';
  import { createVirtualizer } from '@tanstack/svelte-virtual';
  import {
    filter,
    isWorking,
    PAGE,
    pickAll,
    stretch,
    type Asked,
    type NameList,
  } from '../../lib/list';
  import { monthLines, monthsWithin } from '../../lib/months';
  import { own, type Column } from '../../lib/own';
  import { picked, TRAY_MOST } from '../../lib/tray.svelte';
  import { GATES_ALONE, money } from '../../lib/words';
  import { narrow } from '../../lib/narrow';
  import NameLine from './NameLine.svelte';
  import { say } from '../../lib/say';

  let {
    first,
    what,
    current,
    columns,
  }: { first: NameList; what: Asked; current: string | undefined; columns: readonly Column[] } =
    $props();

  const TWO_LINES = 62;
  const ROW = $derived(own().names?.dense ? 28 : 34);
  const WIDTHS: Record<Column, string> = {
    account: 'minmax(6rem, 1fr)',
    client: 'minmax(6rem, 1fr)',
    lock: '5rem',
    privacy: '6rem',
    auto_renew: '6.6rem',
    stay: 'max(5.6rem, var(--price))',
    dns: 'minmax(6rem, 1fr)',
    seen: '6.6rem',
  };
  const TITLES: Record<Column, string> = {
    account: say.list.account,
    client: say.list.client,
    lock: say.list.lock,
    privacy: say.list.privacy,
    auto_renew: say.list.autoRenew,
    stay: say.list.toStay,
    dns: say.list.dnsHost,
    seen: say.list.seen,
  };
  // No column sorts by when a name was looked up.
  const heads = $derived([
    { id: 'name', title: say.list.name, wide: false },
    { id: 'gate', title: say.list.gate, wide: false },
    { id: '', title: say.list.next(first.horizon_days), wide: false },
    { id: 'expiry', title: say.list.expiry, wide: false },
    ...columns.map((c) => ({ id: c === 'seen' ? '-' : c, title: TITLES[c], wide: true })),
  ]);
  // Every third month, and none that would run into the next column.
  const months = $derived(
    monthsWithin(first.at, first.horizon_days).filter((m, i) => i % 3 === 0 && m.share < 0.9),
  );
  const from = $derived({ at: first.at, days: first.horizon_days });
  const sort = $derived(what.sort ?? 'gate');
  const tray = $derived(new Set(picked()));
  const all = $derived(
    first.total > 0 && first.total <= tray.size && first.names.every((n) => tray.has(n.name)),
  );
  let scroller = $state<HTMLDivElement>();

  type Item = { group?: NameList['groups'][number]; row: number };
  const items = $derived.by(() => {
    let row = 0;
    const heads: { at: number; group: NameList['groups'][number] }[] = [];
    for (const group of first.groups) {
      heads.push({ at: row + heads.length, group });
      row += group.count;
    }
    return { count: first.total + first.groups.length, heads };
  });
  function item(index: number): Item {
    const head = items.heads.find((h) => h.at === index);
    if (head) return { group: head.group, row: -1 };
    return { row: index - items.heads.filter((h) => h.at < index).length };
  }

  const virtual = createVirtualizer<HTMLDivElement, HTMLDivElement>({
    count: 0,
    getScrollElement: () => scroller ?? null,
    estimateSize: () => (narrow.current ? TWO_LINES : ROW),
    overscan: 8,
  });
  $effect(() => {
    const count = items.count;
    const size = narrow.current ? TWO_LINES : ROW;
    if (scroller)
      untrack(() => {
        $virtual.setOptions({
          count,
          getScrollElement: () => scroller ?? null,
          estimateSize: () => size,
        });
        $virtual.measure();
      });
  });
  const seen = $derived($virtual.getVirtualItems());
  const offsets = $derived([
    ...new Set(
      seen
        .map((v) => Math.floor(Math.max(0, item(v.index).row) / PAGE) * PAGE)
        .filter((offset) => offset > 0),
    ),
  ]);
  const pages = createQueries(() => ({
    queries: offsets.map((offset) => ({
      queryKey: ['names', what, offset],
      queryFn: () => stretch(what, offset),
    })),
  }));
  function row(index: number) {
    if (index < PAGE) return first.names[index];
    const page = pages[offsets.indexOf(Math.floor(index / PAGE) * PAGE)]?.data;
    return page && !isWorking(page) ? page.names[index % PAGE] : undefined;
  }
  // As wide as the longest price that came so far, with its currency.
  const price = $derived(
    Math.max(
      ...[first, ...pages.map((page) => page.data)]
        .flatMap((page) => (page && !isWorking(page) ? page.names : []))
        .map((n) => (n.stay ? money(n.stay).length : 0)),
    ),
  );
  // It ends where the window does, wherever it begins.
  function fill(node: HTMLElement) {
    const watch = new ResizeObserver(() => {
      const top = Math.round(node.getBoundingClientRect().top + scrollY);
      node.style.setProperty('--above', `${top + 14}px`);
    });
    const held = node.parentElement!;
    for (let above = held.previousElementSibling; above; above = above.previousElementSibling)
      watch.observe(above);
    return () => watch.disconnect();
  }
  const sortBy = (id: string) => filter('sort', sort === id ? `-${id}` : id);
  const title = (group: NameList['groups'][number]) =>
    what.group === 'gate'
      ? GATES_ALONE[group.key as keyof typeof GATES_ALONE]
      : group.title || say.list.noClient;
</script>

<div
  class="box held"
  role="table"
  aria-label={say.list.names}
  aria-rowcount={first.total + 1}
  style:--price="{price + 2}ch"
  style:--row="{ROW}px"
  style:--chosen={columns.map((c) => WIDTHS[c]).join(' ')}
  style:--months={monthLines(months)}
>
  <div
    class="head grid grid-cols-(--columns) border-b border-b-line text-muted font-semibold
      [scrollbar-gutter:stable] overflow-hidden"
    role="row"
    aria-rowindex={1}
  >
    <span role="columnheader" class="pick py-1 px-2 whitespace-nowrap">
      <span class="hidden-words">{say.list.trayCount}</span>
      <input
        type="checkbox"
        aria-label={say.list.addAll(first.total)}
        title={first.total > TRAY_MOST
          ? say.list.tooManyForTheTray(TRAY_MOST)
          : say.list.addAll(first.total)}
        disabled={first.total === 0 || first.total > TRAY_MOST}
        checked={all}
        onchange={(e) => pickAll(what, e.currentTarget.checked)}
      />
    </span>
    {#each heads as c (c.title)}
      <span
        class="py-1 px-2 whitespace-nowrap"
        role="columnheader"
        class:wide={c.wide}
        class:ruler={!c.id}
        class:expires={c.id === 'expiry'}
        class:right={c.id === 'stay'}
        aria-sort={sort.replace('-', '') === c.id
          ? sort.startsWith('-')
            ? 'descending'
            : 'ascending'
          : 'none'}
      >
        {#if !c.id}<span class="hidden-words">{c.title}</span><span
            class="axis relative block text-note font-normal"
            aria-hidden="true"
            >{#each months as m (m.share)}<i
                class="absolute not-italic pl-[3px]"
                style:left="{m.share * 100}%">{m.label}</i
              >{/each}</span
          >{:else if c.id === '-'}{c.title}{:else}<button
            class="cursor-pointer"
            onclick={() => sortBy(c.id)}
            >{c.title} {sort === c.id ? '▴' : sort === `-${c.id}` ? '▾' : ''}</button
          >{/if}
      </span>
    {/each}
  </div>
  <div class="scroller" bind:this={scroller} role="rowgroup" {@attach fill}>
    <div class="all relative" style:height="{$virtual.getTotalSize()}px">
      {#each seen as v (v.key)}
        {@const it = item(v.index)}
        {@const data = it.group ? undefined : row(it.row)}
        <div
          class="slot"
          data-index={v.index}
          style:transform="translateY({v.start}px)"
          {@attach (node: HTMLDivElement) => {
            if (narrow.current) untrack(() => $virtual.measureElement(node));
          }}
        >
          {#if it.group}
            <div class="group" role="row">
              <span role="cell">{title(it.group)} <span class="muted">{it.group.count}</span></span>
            </div>
          {:else if data}
            <NameLine
              row={data}
              index={it.row}
              current={data.name === current}
              picked={tray.has(data.name)}
              {from}
              {columns}
            />
          {:else}
            <div class="py-1 px-8" role="row"><span role="cell" class="muted">…</span></div>
          {/if}
        </div>
      {/each}
    </div>
  </div>
</div>

<style>
  .held {
    --columns: 1.9rem minmax(8rem, 2.2fr) minmax(12rem, 2.4fr) minmax(8rem, 1.2fr) 7.2rem
      var(--chosen);
  }
  /* Beside a sheet a row keeps its gate's mark, its ruler and its expiry. */
  :global(.beside) .held {
    --columns: 1.9rem minmax(6rem, 1fr) 3.2rem minmax(4rem, 8rem) 7.2rem;
  }
  :global(.beside) .held :global(.gates :is(.gate > span, .why)) {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
  .head .right {
    text-align: right;
  }
  .head .ruler {
    background: var(--months) content-box;
  }
  :global(.beside) .axis i:nth-child(even) {
    display: none;
  }
  .scroller {
    height: max(14rem, calc(100vh - var(--above, 13.5rem) - var(--tray, 0px)));
    overflow-y: auto;
    scrollbar-gutter: stable;
  }
  .slot {
    position: absolute;
    top: 0;
    left: 0;
    width: 100%;
    min-height: var(--row);
  }
  .group {
    display: flex;
    align-items: center;
    height: var(--row);
    padding: 0 8px;
    font-weight: 600;
    background: var(--paper);
    border-bottom: 1px solid var(--line);
  }
  @media (max-width: 1100px) {
    .held {
      --columns: 1.9rem minmax(8rem, 1.4fr) minmax(11rem, 1.6fr) minmax(6rem, 1fr) 7.2rem;
    }
    .held :global(.wide) {
      display: none;
    }
  }
  @media (max-width: 760px) {
    .held,
    :global(.beside) .held {
      --columns: 1.9rem minmax(6rem, 1fr) max-content;
    }
    .held :global(.ruler),
    .head .expires {
      display: none;
    }
    .scroller {
      height: max(20rem, calc(100vh - var(--above, 13.5rem) - var(--tray, 0px)));
    }
  }
</style>
