<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { money } from '../../lib/words';
  import { say } from '../../lib/say';

  /** What it has cost after each year, a line for each destination; each is labelled at its end. */
  let {
    lines,
    currency,
    years,
  }: { lines: Schemas['CompareLine'][]; currency: string; years: number } = $props();
  let room = $state(800);
  const HIGH = 220;
  const LEFT = 74;
  const RIGHT = 210;
  const LABEL = 15;
  const most = $derived(Math.max(1, ...lines.map((l) => l.ahead[currency]!.at(-1)!)));
  const X = (year: number) => LEFT + ((year - 1) / Math.max(1, years - 1)) * (room - LEFT - RIGHT);
  const Y = (minor: number) => HIGH - 22 - (minor / most) * (HIGH - 36);
  const path = (list: number[]) =>
    list.map((v, i) => `${i ? 'L' : 'M'}${X(i + 1)} ${Y(v)}`).join('');
  const kind = (id: string) => (id === 'stay' ? 'stay' : id === 'mixed' ? 'mixed' : 'other');
  // Labels at the ends, moved apart where they would lie on each other.
  const labels = $derived.by(() => {
    const placed = lines
      .map((l) => ({ l, y: Y(l.ahead[currency]!.at(-1)!), end: l.ahead[currency]!.at(-1)! }))
      .sort((a, b) => a.y - b.y);
    placed.forEach((p, i) => {
      if (i) p.y = Math.max(p.y, placed[i - 1]!.y + LABEL);
    });
    const over = (placed.at(-1)?.y ?? 0) - (HIGH - 8);
    if (over > 0) placed.forEach((p) => (p.y -= over));
    return placed;
  });
</script>

<div class="box raised" bind:clientWidth={room}>
  <svg
    class="block"
    viewBox="0 0 {room} {HIGH}"
    width={room}
    height={HIGH}
    role="img"
    aria-label={say.compare.picture(currency)}
  >
    {#each [0, 0.5, 1] as part (part)}
      <path class="grid" d="M{LEFT} {Y(most * part)}H{room - RIGHT}" />
      <text class="fill-muted text-note" x={LEFT - 6} y={Y(most * part) + 4} text-anchor="end"
        >{money({ minor: Math.round(most * part), currency })}</text
      >
    {/each}
    {#each Array.from({ length: years }, (_, i) => i + 1) as year (year)}
      <text class="fill-muted text-note" x={X(year)} y={HIGH - 4} text-anchor="middle">{year}</text>
    {/each}
    {#each labels as { l, y, end } (l.id)}
      {@const list = l.ahead[currency]!}
      <g class={kind(l.id)}>
        <title>{l.title}: {money({ minor: end, currency })}</title>
        <path class="line" d={path(list)} />
        {#if list.length === 1}<circle class="fill-slate" cx={X(1)} cy={Y(list[0]!)} r="3" />{/if}
        <path class="lead" d="M{X(years) + 2} {Y(end)}L{room - RIGHT + 14} {y - 4}" />
        <text class="end fill-muted text-note" x={room - RIGHT + 18} {y}>{l.title}</text>
      </g>
    {/each}
  </svg>
</div>

<style>
  .box {
    overflow: hidden;
    margin: 8px 0;
  }
  .end {
    fill: var(--ink);
    font-size: var(--note);
  }
  .grid {
    stroke: var(--line);
  }
  .line {
    fill: none;
    stroke: var(--slate);
    stroke-width: 1.5;
  }
  .lead {
    fill: none;
    stroke: var(--line);
  }
  .stay .line {
    stroke: var(--madder);
    stroke-width: 2.5;
    stroke-dasharray: 6 3;
  }
  .mixed .line {
    stroke: var(--loden);
    stroke-width: 3;
  }
  .stay .end,
  .mixed .end {
    font-weight: 600;
  }
</style>
