<script lang="ts">
  import { untrack } from 'svelte';
  import { createQueries } from '@tanstack/svelte-query';
  import { createVirtualizer } from '@tanstack/svelte-virtual';
  import { api, ask } from '../../lib/api';
  import { marks, reach, ZOOMS, DAY, type Row, type Zoom } from '../../lib/axis';
  import { clock } from '../../lib/clock.svelte';
  import { day } from '../../lib/words';
  import { p } from '../../router';
  import { say } from '../../lib/say';
  import AxisFoot from './AxisFoot.svelte';
  import AxisTrack from './AxisTrack.svelte';
  import TurnMark from '../../parts/TurnMark.svelte';

  /** All open moves on one axis of time, each on its two rails; the next deadline stands first. */
  let { rows, zoom }: { rows: Row[]; zoom: Zoom } = $props();
  const ROW = 40;
  const PAGE = 40;
  let scroller = $state<HTMLDivElement>();
  // As wide as the longest name, within bounds; roughly as wide as the letters are.
  const LEFT = $derived(
    Math.min(340, Math.max(200, ...rows.map((r) => r.unicode.length * 9.5 + 44))),
  );
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
    if (scroller)
      untrack(() => $virtual.setOptions({ count, getScrollElement: () => scroller ?? null }));
  });
  const seen = $derived($virtual.getVirtualItems());
  const pages = $derived([...new Set(seen.map((v) => Math.floor(v.index / PAGE)))]);
  const idsOf = (page: number) => rows.slice(page * PAGE, (page + 1) * PAGE).map((r) => r.id);
  const asked = async (ids: number[]) =>
    ids.length
      ? (await ask(api.GET('/api/tracks', { params: { query: { ids: ids.join(',') } } }))).tracks
      : [];
  const tracks = createQueries(() => ({
    queries: pages.map((page) => ({
      queryKey: ['moves', 'tracks', idsOf(page).join(',')],
      queryFn: () => asked(idsOf(page)),
      placeholderData: (before: Awaited<ReturnType<typeof asked>> | undefined) => before,
    })),
  }));
  const known = $derived(
    new Map(tracks.flatMap((t) => t.data ?? []).map((t) => [t.id, t.blocks] as const)),
  );

  // Today stands a third from the left when the axis is opened or zoomed.
  $effect(() => {
    void zoom;
    if (scroller)
      untrack(() => (scroller!.scrollLeft = Math.max(0, X(clock.now) - scroller!.clientWidth / 3)));
  });
</script>

<div
  class="box raised axis print:hidden overflow-auto max-h-[min(62vh,40rem)] relative"
  bind:this={scroller}
  bind:clientWidth={room}
  role="table"
  aria-label={say.axis.title}
  aria-rowcount={rows.length}
  style:--left="{LEFT}px"
>
  <div class="flex sticky top-0 z-2 bg-raised border-b border-b-line" style:width="{LEFT + wide}px">
    <span class="name"></span>
    <svg class="block flex-none" width={wide} height="22" aria-hidden="true">
      {#each ticks as t (t)}
        <path class="stroke-line" d="M{X(t)} 4V22" />
        <text class="fill-muted text-note" x={X(t) + 3} y="14"
          >{day(new Date(t).toISOString()).slice(0, 6)}</text
        >
      {/each}
    </svg>
  </div>
  <div
    class="all relative"
    style:height="{$virtual.getTotalSize()}px"
    style:width="{LEFT + wide}px"
  >
    {#each seen as v (v.key)}
      {@const row = rows[v.index]}
      {#if row}
        <div
          class="row absolute top-0 left-0 flex h-10 w-full border-b border-b-line
              hover:bg-loden-soft"
          class:late={row.late}
          role="row"
          style:transform="translateY({v.start}px)"
        >
          <span class="name" role="cell">
            {#if row.turn}<TurnMark turn={row.turn} />{/if}
            <a
              class="mono overflow-hidden text-ellipsis whitespace-nowrap min-w-0"
              data-row
              href={p('/moves/:id', { params: { id: String(row.id) } })}
              title={row.unicode}>{row.unicode}</a
            >
            {#if row.late}<span class="text-madder font-semibold">{say.axis.late}</span>{/if}
          </span>
          <span role="cell" class="drawn">
            <AxisTrack {row} blocks={known.get(row.id) ?? []} {wide} high={ROW} {ticks} {X} {px} />
          </span>
        </div>
      {/if}
    {/each}
  </div>
</div>
<AxisFoot {rows} {zoom} {idsOf} {asked} />

<style>
  .name {
    position: sticky;
    left: 0;
    z-index: 1;
    display: flex;
    align-items: center;
    gap: 8px;
    flex: none;
    width: var(--left);
    padding: 0 8px;
    background: var(--raised);
    border-right: 1px solid var(--line);
  }
  @media (max-width: 800px) {
    .name {
      width: 150px;
    }
  }
</style>
