<script lang="ts">
  import { untrack } from 'svelte';
  import { createQueries } from '@tanstack/svelte-query';
  import { createVirtualizer } from '@tanstack/svelte-virtual';
  import {
    isWorking,
    PAGE,
    pickAll,
    picked,
    put,
    stretch,
    TRAY_MOST,
    type Asked,
    type NameList,
  } from '../../lib/list';
  import { GATES_ALONE, money } from '../../lib/words';
  import { narrow } from '../../lib/narrow';
  import NameLine from './NameLine.svelte';
  import { say } from '../../lib/say';

  let { first, what, current }: { first: NameList; what: Asked; current: string | undefined } =
    $props();

  const ROW = 34;
  const TWO_LINES = 62;
  const columns = $derived([
    { id: 'name', title: say.list.name, wide: false },
    { id: 'gate', title: say.list.gate, wide: false },
    { id: '', title: say.list.next(first.horizon_days), wide: false },
    { id: 'account', title: say.list.account, wide: true },
    { id: 'expiry', title: say.list.expiry, wide: true },
    { id: 'stay', title: say.list.toStay, wide: true },
    { id: 'dns', title: say.list.dnsHost, wide: true },
  ]);
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
  const sortBy = (id: string) => put('sort', sort === id ? `-${id}` : id);
  const title = (group: NameList['groups'][number]) =>
    group.key in GATES_ALONE ? GATES_ALONE[group.key as keyof typeof GATES_ALONE] : group.title;
</script>

<div
  class="box held"
  role="table"
  aria-label={say.list.names}
  aria-rowcount={first.total + 1}
  style:--price="{price + 2}ch"
>
  <div class="head" role="row" aria-rowindex={1}>
    <span role="columnheader" class="pick">
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
    {#each columns as c (c.title)}
      <span
        role="columnheader"
        class:wide={c.wide}
        class:ruler={!c.id}
        class:right={c.id === 'stay'}
        aria-sort={sort.replace('-', '') === c.id
          ? sort.startsWith('-')
            ? 'descending'
            : 'ascending'
          : 'none'}
      >
        {#if c.id}<button onclick={() => sortBy(c.id)}
            >{c.title} {sort === c.id ? '▴' : sort === `-${c.id}` ? '▾' : ''}</button
          >{:else}{c.title}{/if}
      </span>
    {/each}
  </div>
  <div class="scroller" bind:this={scroller} role="rowgroup" {@attach fill}>
    <div class="all" style:height="{$virtual.getTotalSize()}px">
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
              at={first.at}
              days={first.horizon_days}
            />
          {:else}
            <div class="coming" role="row"><span role="cell" class="muted">…</span></div>
          {/if}
        </div>
      {/each}
    </div>
  </div>
</div>

<style>
  .held {
    --columns: 1.9rem minmax(10rem, 2.3fr) 15.5rem minmax(6rem, 1fr) minmax(9rem, 1.15fr) 7.2rem
      max(6.2rem, var(--price)) minmax(7rem, 1fr);
  }
  :global(.beside) .held {
    --columns: 1.9rem minmax(8rem, 1fr) 13.5rem;
  }
  :global(.beside) .held :global(.wide),
  :global(.beside) .held :global(.ruler) {
    display: none;
  }
  .head {
    display: grid;
    grid-template-columns: var(--columns);
    border-bottom: 1px solid var(--line);
    color: var(--muted);
    font-weight: 600;
    scrollbar-gutter: stable;
    overflow: hidden;
  }
  .head > span {
    padding: 4px 8px;
    white-space: nowrap;
  }
  .head .right {
    text-align: right;
  }
  .head button {
    cursor: pointer;
  }
  .scroller {
    height: max(14rem, calc(100vh - var(--above, 13.5rem) - var(--tray, 0px)));
    overflow-y: auto;
    scrollbar-gutter: stable;
  }
  .all {
    position: relative;
  }
  .slot {
    position: absolute;
    top: 0;
    left: 0;
    width: 100%;
    min-height: 34px;
  }
  .group {
    display: flex;
    align-items: center;
    height: 100%;
    padding: 0 8px;
    font-weight: 600;
    background: var(--paper);
    border-bottom: 1px solid var(--line);
  }
  .coming {
    padding: 4px 32px;
  }
  @media (max-width: 1100px) {
    .held {
      --columns: 1.9rem minmax(9rem, 1fr) 14rem minmax(6rem, 0.8fr);
    }
    .held :global(.wide:not(.expires)),
    .held .wide {
      display: none;
    }
  }
  @media (min-width: 761px) and (max-width: 1100px) {
    .held :global(.expires) {
      display: none;
    }
  }
  @media (max-width: 760px) {
    .held,
    :global(.beside) .held {
      --columns: 1.9rem minmax(6rem, 1fr) max-content;
    }
    .held :global(.ruler),
    .head .wide {
      display: none;
    }
    .scroller {
      height: max(20rem, calc(100vh - var(--above, 13.5rem) - var(--tray, 0px)));
    }
  }
</style>
