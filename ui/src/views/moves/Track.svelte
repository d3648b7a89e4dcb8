<script lang="ts">
  import type { Block, Step } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { lay, type Placed } from '../../lib/track';
  import { span, stamp } from '../../lib/words';
  import { say } from '../../lib/say';

  let { steps, blocks }: { steps: Step[]; blocks: Block[] } = $props();
  const LEFT = 90;
  const ROW = 34;
  const TOP = 26;
  let room = $state(900);
  const laid = $derived(lay(steps, blocks, clock.now));
  const used = $derived([0, 1, 2, 3].filter((lane) => laid.placed.some((p) => p.lane === lane)));
  const y = (lane: number) => TOP + used.indexOf(lane) * ROW + (lane >= 2 ? 10 : 0);
  const height = $derived(TOP + used.length * ROW + 14);
  const scale = $derived(Math.max(0.5, (room - LEFT - 24) / Math.max(1, laid.wide)));
  const wide = $derived(LEFT + laid.wide * scale + 12);
  const X = (x: number) => LEFT + x * scale;
  const now = $derived.by(() => {
    const active = laid.placed.find((p) => p.reached !== null);
    if (active) return active.x + active.reached!;
    const next = laid.placed.find((p) => !p.block.past);
    return next ? next.x : laid.wide;
  });
  const ends = $derived(blocks.map((b) => b.ends));
  const latest = (k: number) => ends.map((e) => e[k]!).reduce((a, b) => (a > b ? a : b), '');
  const settled = $derived(blocks.length > 0 && blocks.every((b) => b.past));

  const about = (p: Placed) =>
    p.block.past
      ? say.track.done(p.no, p.step.title, stamp(p.block.ends[1]!, clock.now))
      : say.track.takesTo(p.no, p.step.title, span((p.step.takes[0] ?? 0) * 1000), span((p.step.takes[2] ?? 0) * 1000));
  const label = $derived(
    `Track with ${steps.length} steps on two rails; ${blocks.filter((b) => b.past).length} are done. ` +
      (settled
        ? say.track.theMoveIsSettled
        : blocks.length
          ? say.track.endsBetweenAnd(stamp(latest(0), clock.now), stamp(latest(2), clock.now))
          : ''),
  );
  const rails = $derived(
    (['registration', 'records'] as const)
      .map((rail) => ({ rail, lane: used.find((l) => (rail === 'registration' ? l < 2 : l >= 2)) }))
      .filter((r) => r.lane !== undefined),
  );
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex (it may scroll sideways) -->
<div class="box raised track" role="group" aria-label={say.track.track} tabindex="0" bind:clientWidth={room}>
  <svg viewBox="0 0 {wide} {height}" width={wide} {height} role="img" aria-label={label}>
    {#each rails as { rail, lane } (rail)}
      <text x="0" y={y(lane!) + 18} class="rail">{rail}</text>
      <path class="line" d="M{LEFT - 6} {y(lane!) + 13}H{wide - 4}" />
    {/each}
    {#each laid.ties as tie, i (i)}
      <path
        class="tie"
        d="M{X(tie.x1)} {y(tie.lane1) + 13} C{X(tie.x1) + 14} {y(tie.lane1) + 13}, {X(tie.x2) - 14} {y(tie.lane2) +
          13}, {X(tie.x2)} {y(tie.lane2) + 13}"
      />
    {/each}
    {#each laid.placed as p (p.step.id)}
      <g class="block {p.block.past ? 'past' : p.step.phase} {p.step.turn}">
        <title>{about(p)}</title>
        {#if p.block.past}
          <rect class="solid" x={X(p.x) + 1} y={y(p.lane)} width={p.width * scale - 2} height="26" rx="3" />
        {:else}
          <rect class="most" x={X(p.x) + 1} y={y(p.lane)} width={p.width * scale - 2} height="26" rx="3" />
          <rect
            class="usual"
            x={X(p.x) + 1}
            y={y(p.lane)}
            width={Math.max(2, p.usual * scale - 2)}
            height="26"
            rx="3"
          />
          <rect
            class="least"
            x={X(p.x) + 1}
            y={y(p.lane)}
            width={Math.max(2, p.least * scale - 2)}
            height="26"
            rx="3"
          />
        {/if}
        <text x={X(p.x) + 4} y={y(p.lane) + 18} class="no">{p.no}</text>
      </g>
    {/each}
    <path class="now" d="M{X(now)} 14V{height - 8}" />
    <text x={X(now)} y="11" class="nowword" text-anchor={X(now) > wide - 60 ? 'end' : 'middle'}>{say.track.now}</text>
  </svg>
  <p class="foot num">
    <span>{blocks[0] ? stamp(blocks[0].starts[0]!, clock.now) : ''}</span>
    <span
      >{#if settled}{say.track.settled(stamp(latest(1), clock.now))}{:else if blocks.length}{say.track.endsToUsually(
          stamp(latest(0), clock.now),
          stamp(latest(2), clock.now),
          stamp(latest(1), clock.now),
        )}{/if}</span
    >
  </p>
  <p class="foot">{say.track.solidDoneFilledAtLeast}</p>
</div>

<style>
  .track {
    overflow-x: auto;
    padding: 0.6rem 0.4rem 0.3rem;
  }
  svg {
    display: block;
  }
  text {
    fill: var(--ink);
    font-size: 13px;
    font-family: var(--text);
  }
  .rail {
    font-weight: 600;
  }
  .no {
    font-size: 12px;
  }
  .foot {
    display: flex;
    flex-wrap: wrap;
    justify-content: space-between;
    column-gap: 1rem;
    margin-left: min(6rem, 20%);
    color: var(--muted);
    font-size: 0.8rem;
  }
  .line {
    stroke: var(--line);
    stroke-width: 2;
  }
  .tie {
    fill: none;
    stroke: var(--muted);
    stroke-width: 1.5;
    stroke-dasharray: 4 3;
  }
  .solid {
    fill: var(--loden);
  }
  .past .no {
    fill: var(--loden-ink);
  }
  .most {
    fill: var(--raised);
    stroke: var(--muted);
    stroke-dasharray: 3 3;
  }
  .usual {
    fill: var(--slate-soft);
  }
  .least {
    fill: var(--line);
  }
  .under-way .most,
  .due .most {
    stroke: var(--ochre-fill);
    stroke-dasharray: none;
    stroke-width: 2;
  }
  .stuck .most {
    stroke: var(--madder);
    stroke-dasharray: none;
    stroke-width: 2.5;
  }
  .now {
    stroke: var(--madder);
    stroke-width: 2;
  }
  .nowword {
    fill: var(--madder);
    font-size: 12px;
    font-weight: 650;
  }
</style>
