<script lang="ts">
  import { stretches, type Block, type Row } from '../../lib/axis';
  import { clock } from '../../lib/clock.svelte';
  import { when } from '../../lib/words';
  import { say } from '../../lib/say';

  /** One move on its two rails. X: instant to pixels; px: pixels a millisecond. */
  let {
    row,
    blocks,
    wide,
    high,
    ticks,
    X,
    px,
  }: {
    row: Row;
    blocks: Block[];
    wide: number;
    high: number;
    ticks: number[];
    X: (t: number) => number;
    px: number;
  } = $props();
</script>

<svg width={wide} height={high} role="img" aria-label={say.axis.row(row.unicode, row.stage)}>
  {#each ticks as t (t)}<path class="grid" d="M{X(t)} 0V{high}" />{/each}
  {#each ['registration', 'records'] as const as rail, k (rail)}
    {#each stretches(blocks, rail) as s, i (i)}
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
      <path class="deadline" d="M{X(Date.parse(row.ends))} 2V{high - 2}" /></g
    >
  {/if}
  <path class="now" d="M{X(clock.now)} 0V{high}" />
</svg>

<style>
  svg {
    display: block;
    flex: none;
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
</style>
