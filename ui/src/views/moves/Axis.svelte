<script lang="ts">
  import { untrack } from 'svelte';
  import { createQueries } from '@tanstack/svelte-query';
  import { createVirtualizer } from '@tanstack/svelte-virtual';
  import { api, ask } from '../../lib/api';
  import {
    marks,
    picture,
    png,
    reach,
    save,
    stretches,
    ZOOMS,
    DAY,
    type Block,
    type Row,
    type Zoom,
  } from '../../lib/axis';
  import { clock } from '../../lib/clock.svelte';
  import { day, when } from '../../lib/words';
  import { p } from '../../router';
  import { say } from '../../lib/say';
  import TurnMark from '../../parts/TurnMark.svelte';

  /** All open moves on one axis of time, each on its two rails; the next deadline stands first. */
  let { rows, zoom }: { rows: Row[]; zoom: Zoom } = $props();
  const ROW = 40;
  const LEFT = 260;
  const PAGE = 40;
  let scroller = $state<HTMLDivElement>();
  let trouble = $state('');
  const span = $derived(reach(rows, clock.now));
  let room = $state(1000);
  // Never narrower than the page.
  const px = $derived(Math.max(ZOOMS[zoom] / DAY, (room - LEFT - 20) / (span.to - span.from)));
  const X = (t: number) => (t - span.from) * px;
  const wide = $derived(Math.ceil(X(span.to)));
  const ticks = $derived(marks(span.from, span.to, zoom));

  const virtual = createVirtualizer<HTMLDivElement, HTMLDivElement>({
    count: 0,
    getScrollElement: () => scroller ?? null,
    estimateSize: () => ROW,
    overscan: 6,
  });
  $effect(() => {
    const count = rows.length;
    if (scroller) untrack(() => $virtual.setOptions({ count, getScrollElement: () => scroller ?? null }));
  });
  const seen = $derived($virtual.getVirtualItems());
  const pages = $derived([...new Set(seen.map((v) => Math.floor(v.index / PAGE)))]);
  const idsOf = (page: number) => rows.slice(page * PAGE, (page + 1) * PAGE).map((r) => r.id);
  const asked = async (ids: number[]) =>
    ids.length ? (await ask(api.GET('/api/tracks', { params: { query: { ids: ids.join(',') } } }))).tracks : [];
  const tracks = createQueries(() => ({
    queries: pages.map((page) => ({
      queryKey: ['moves', 'tracks', idsOf(page).join(',')],
      queryFn: () => asked(idsOf(page)),
      placeholderData: (before: Awaited<ReturnType<typeof asked>> | undefined) => before,
    })),
  }));
  const known = $derived(new Map(tracks.flatMap((t) => t.data ?? []).map((t) => [t.id, t.blocks] as const)));

  // Today stands a third from the left when the axis is opened or zoomed.
  $effect(() => {
    void zoom;
    if (scroller) untrack(() => (scroller!.scrollLeft = Math.max(0, X(clock.now) - scroller!.clientWidth / 3)));
  });

  async function whole(): Promise<string> {
    const all: [number, Block[]][] = [];
    for (let page = 0; page * PAGE < rows.length; page += 1)
      for (const t of await asked(idsOf(page))) all.push([t.id, t.blocks]);
    return picture(rows, new Map(all), clock.now, zoom, {
      title: say.axis.title,
      mark: (t) => day(new Date(t).toISOString()),
    });
  }
  async function out(how: 'svg' | 'png' | 'print') {
    trouble = '';
    try {
      const svg = await whole();
      if (how === 'svg') save('moves.svg', new Blob([svg], { type: 'image/svg+xml' }));
      else if (how === 'png') save('moves.png', await png(svg));
      else print(svg);
    } catch {
      trouble = say.axis.noPicture;
    }
  }
  let printed = $state('');
  function print(svg: string) {
    printed = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
    requestAnimationFrame(() => window.print());
  }
</script>

<div
  class="box raised axis"
  bind:this={scroller}
  bind:clientWidth={room}
  role="table"
  aria-label={say.axis.title}
  aria-rowcount={rows.length}
>
  <div class="head" style:width="{LEFT + wide}px">
    <span class="name"></span>
    <svg width={wide} height="22" aria-hidden="true">
      {#each ticks as t (t)}
        <path class="grid" d="M{X(t)} 4V22" />
        <text x={X(t) + 3} y="14">{day(new Date(t).toISOString()).slice(0, 6)}</text>
      {/each}
    </svg>
  </div>
  <div class="all" style:height="{$virtual.getTotalSize()}px" style:width="{LEFT + wide}px">
    {#each seen as v (v.key)}
      {@const row = rows[v.index]}
      {#if row}
        <div class="row" class:late={row.late} role="row" style:transform="translateY({v.start}px)">
          <span class="name" role="cell">
            {#if row.turn}<TurnMark turn={row.turn} />{/if}
            <a class="mono" data-row href={p('/moves/:id', { params: { id: String(row.id) } })} title={row.name}
              >{row.name}</a
            >
            {#if row.late}<span class="flag">{say.axis.late}</span>{/if}
          </span>
          <span role="cell" class="drawn">
            <svg width={wide} height={ROW} role="img" aria-label={say.axis.row(row.name, row.stage)}>
              {#each ticks as t (t)}<path class="grid" d="M{X(t)} 0V{ROW}" />{/each}
              {#each ['registration', 'records'] as const as rail, k (rail)}
                {#each stretches(known.get(row.id) ?? [], rail) as s, i (i)}
                  <g class={s.kind}>
                    <title>{s.title}</title>
                    {#if s.kind === 'active' || s.kind === 'stuck'}<rect
                        class="most"
                        x={X(s.from)}
                        y={6 + k * 15}
                        width={Math.max(2, (s.to - s.from) * px)}
                        height="11"
                        rx="2"
                      />{/if}
                    <rect
                      class="usual"
                      x={X(s.from)}
                      y={6 + k * 15}
                      width={Math.max(s.kind === 'past' ? 5 : 2, (s.usual - s.from) * px)}
                      height="11"
                      rx="2"
                    />
                  </g>
                {/each}
              {/each}
              {#if row.finish[2]}
                <path class="range" d="M{X(Date.parse(row.finish[0]!))} 36H{X(Date.parse(row.finish[2]))}" />
              {/if}
              {#if row.ends}
                <g
                  ><title>{when(row.ends, clock.now)}</title>
                  <path class="deadline" d="M{X(Date.parse(row.ends))} 2V{ROW - 2}" /></g
                >
              {/if}
              <path class="now" d="M{X(clock.now)} 0V{ROW}" />
            </svg>
          </span>
        </div>
      {/if}
    {/each}
  </div>
</div>
<p class="key">
  <span><i class="k past"></i>{say.axis.key.past}</span>
  <span><i class="k active"></i>{say.axis.key.active}</span>
  <span><i class="k ahead"></i>{say.axis.key.ahead}</span>
  <span><i class="k deadline"></i>{say.axis.key.deadline}</span>
  <span><i class="k range"></i>{say.axis.key.range}</span>
  <span class="out">
    <button onclick={() => void out('svg')}>{say.axis.svg}</button>
    <button onclick={() => void out('png')}>{say.axis.png}</button>
    <button onclick={() => void out('print')}>{say.axis.print}</button>
  </span>
</p>
{#if trouble}<p role="alert">{trouble}</p>{/if}
{#if printed}<img class="printed" src={printed} alt={say.axis.title} />{/if}

<style>
  .axis {
    overflow: auto;
    max-height: min(62vh, 40rem);
    position: relative;
  }
  .head {
    display: flex;
    position: sticky;
    top: 0;
    z-index: 2;
    background: var(--raised);
    border-bottom: 1px solid var(--line);
  }
  .all {
    position: relative;
  }
  .row {
    position: absolute;
    top: 0;
    left: 0;
    display: flex;
    height: 40px;
    width: 100%;
    border-bottom: 1px solid var(--line);
  }
  .row:hover {
    background: var(--loden-soft);
  }
  .name {
    position: sticky;
    left: 0;
    z-index: 1;
    display: flex;
    align-items: center;
    gap: 0.4rem;
    flex: none;
    width: 260px;
    padding: 0 0.5rem;
    background: var(--raised);
    border-right: 1px solid var(--line);
  }
  .name a {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
    min-width: 0;
  }
  .flag {
    color: var(--madder);
    font-weight: 650;
  }
  svg {
    display: block;
    flex: none;
  }
  text {
    fill: var(--muted);
    font-size: 11px;
  }
  .grid {
    stroke: var(--line);
  }
  .most {
    fill: var(--raised);
    stroke: var(--muted);
    stroke-dasharray: 2 2;
    stroke-width: 0.8;
  }
  .usual {
    fill: var(--slate-soft);
  }
  .past .most,
  .past .usual {
    fill: var(--loden);
    stroke: none;
  }
  .active .most {
    stroke: var(--ochre-fill);
    stroke-dasharray: none;
    stroke-width: 1.5;
  }
  .ahead .usual {
    stroke: var(--muted);
    stroke-width: 0.8;
  }
  .active .usual {
    fill: var(--ochre-soft);
  }
  .stuck .most {
    stroke: var(--madder);
    stroke-dasharray: none;
    stroke-width: 2;
  }
  .deadline {
    stroke: var(--madder);
    stroke-width: 2;
    stroke-dasharray: 3 2;
  }
  .now {
    stroke: var(--madder);
    stroke-width: 1.5;
  }
  .range {
    stroke: var(--slate);
    stroke-width: 4;
  }
  .key {
    display: flex;
    flex-wrap: wrap;
    gap: 0.2rem 1.1rem;
    align-items: center;
    margin: 0.4rem 0;
    color: var(--muted);
    font-size: 0.85rem;
  }
  .k {
    display: inline-block;
    width: 1.4rem;
    height: 0.6rem;
    margin-right: 0.35rem;
    border: 1px dashed var(--muted);
  }
  .k.past {
    background: var(--loden);
    border: 0;
  }
  .k.active {
    background: var(--ochre-soft);
    border: 1.5px solid var(--ochre-fill);
  }
  .k.deadline {
    width: 0;
    height: 0.9rem;
    border: 0;
    border-left: 2px dashed var(--madder);
  }
  .k.range {
    height: 0;
    border: 0;
    border-top: 2px solid var(--slate);
    vertical-align: middle;
  }
  .out {
    margin-left: auto;
    display: flex;
    gap: 0.8rem;
  }
  .out button {
    color: var(--loden);
    text-decoration: underline;
    cursor: pointer;
  }
  .printed {
    display: none;
  }
  @media print {
    .axis,
    .key {
      display: none;
    }
    .printed {
      display: block;
      max-width: 100%;
    }
  }
  @media (max-width: 800px) {
    .name {
      width: 150px;
    }
  }
</style>
