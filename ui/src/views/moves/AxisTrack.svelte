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
  const [early, late] = $derived(
    row.finish[2] ? [X(Date.parse(row.finish[0]!)), X(Date.parse(row.finish[2]))] : [0, 0],
  );
  const flag = $derived(row.ends ? X(Date.parse(row.ends)) : undefined);
  // The stage stands behind all of it; where there is no room, at the edge, above the range.
  const LETTER = 7.5;
  const word = $derived(Math.max(late, flag ?? 0, X(clock.now)) + 14);
  const fits = $derived(word + row.stage.length * LETTER <= wide);
</script>

<svg
  class="block flex-none"
  width={wide}
  height={high}
  role="img"
  aria-label={say.axis.row(row.unicode, row.stage)}
>
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
    <path class="range" d="M{early} 33v6m0 -3H{late}m0 -3v6"
      ><title>{say.axis.key.range}</title></path
    >
  {/if}
  {#if flag !== undefined}
    <path class="deadline" d="M{flag} {high - 4}V3h9l-3 3.5 3 3.5h-9"
      ><title>{say.axis.key.deadline}: {when(row.ends!, clock.now)}</title></path
    >
  {/if}
  <text
    class="text-note fill-muted"
    x={fits ? word : wide - 4}
    y={high / 2 + 5}
    text-anchor={fits ? 'start' : 'end'}>{row.stage}</text
  >
  <path class="now" d="M{X(clock.now)} 0V{high}" />
</svg>

<style>
  .grid {
    stroke: var(--line);
  }
  .most {
    fill: var(--raised);
    stroke: var(--muted);
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
    fill: var(--madder);
    stroke-width: 1.5;
  }
  .now {
    stroke: var(--madder);
    stroke-width: 1.5;
  }
  .range {
    fill: none;
    stroke: var(--slate);
    stroke-width: 1.5;
  }
</style>
