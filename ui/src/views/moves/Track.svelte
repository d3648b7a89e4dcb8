<script lang="ts">
  import type { Block, Schemas, Step } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { lay, nameOf, runs, type Run } from '../../lib/track';
  import { plainDay, range, span, stamp } from '../../lib/words';
  import { say } from '../../lib/say';

  /**
   * Each step on one axis of time. finish, futures: of the whole, as they stand in the strip of
   * answers.
   */
  let {
    steps,
    blocks,
    finish,
    futures,
    said = true,
  }: {
    steps: Step[];
    blocks: Block[];
    finish?: string[] | undefined;
    futures?: Schemas['Futures'] | undefined;
    /** Does it say the futures? Not where they stand beside it as a picture of their own. */
    said?: boolean;
  } = $props();
  const LEFT = 90;
  const ROW = 34;
  const TOP = 26;
  let room = $state(900);
  const laid = $derived(lay(steps, blocks, clock.now, room - LEFT - 24));
  const used = $derived([0, 1, 2, 3].filter((lane) => laid.placed.some((p) => p.lane === lane)));
  const y = (lane: number) => TOP + used.indexOf(lane) * ROW + (lane >= 2 ? 10 : 0);
  const height = $derived(TOP + used.length * ROW + 14);
  const wide = $derived(LEFT + laid.wide + 12);
  const X = (x: number) => LEFT + x;
  const drawn = $derived(runs(laid));
  let told = $state<Run>();
  const labelled = $derived.by(() => {
    let last = -99;
    return laid.days.map((d) => {
      const room = d.x - last > 62;
      if (room) last = d.x;
      return { ...d, label: room ? plainDay(d.day).slice(0, 6) : '' };
    });
  });
  const ends = $derived(blocks.map((b) => b.ends));
  // The same figures as everywhere.
  const whole = $derived.by(() => {
    const [early, , late] = finish ?? [];
    const whole = early && late ? range(early, late, clock.now) : '';
    if (!futures) return whole;
    const silent = futures.silent ? stamp(futures.silent, clock.now) : '';
    const acting = say.answers.acting(stamp(futures.acting, clock.now));
    return `${acting} · ${say.answers.ifNobody[futures.means](silent)}`;
  });
  const latest = (k: number) => ends.map((e) => e[k]!).reduce((a, b) => (a > b ? a : b), '');
  const settled = $derived(blocks.length > 0 && blocks.every((b) => b.past));

  function goTo(e: MouseEvent, run: Run) {
    e.preventDefault();
    const row = document.getElementById(`step-${run.steps[0]!.step.id}`);
    row?.closest('details')?.setAttribute('open', '');
    row?.scrollIntoView({ block: 'center' });
    row?.focus({ preventScroll: true });
  }
  const named = (run: Run) => run.steps.map((p) => p.step.title).join(', ');
  function about(run: Run): string {
    const { step, block } = run.steps.at(-1)!;
    if (block.past) return say.track.done(named(run), stamp(block.ends[1]!, clock.now));
    if (run.steps.length > 1) return say.track.toCome(named(run));
    const [least, , most] = step.takes.map((t) => span(t * 1000));
    return say.track.takesTo(step.title, least ?? '', most ?? '');
  }
  const looks = (run: Run) => {
    const { step, block } = run.steps[0]!;
    return `${block.past ? 'past' : step.phase} ${step.turn}`;
  };
  const whisker = (run: Run) => run.steps.at(-1)!.range;
  const label = $derived(
    say.track.railsWith(steps.length, blocks.filter((b) => b.past).length) +
      (settled ? say.track.settledNow : blocks.length ? whole : ''),
  );
  const rails = $derived(
    (['registration', 'records'] as const)
      .map((rail) => ({ rail, lane: used.find((l) => (rail === 'registration' ? l < 2 : l >= 2)) }))
      .filter((r) => r.lane !== undefined),
  );
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex (it may scroll sideways) -->
<div
  class="box raised track"
  role="group"
  aria-label={say.track.track}
  tabindex="0"
  bind:clientWidth={room}
>
  <svg
    class="block no-underline outline-none"
    viewBox="0 0 {wide} {height}"
    width={wide}
    {height}
    role="group"
    aria-label={label}
  >
    {#each labelled as d (d.day)}
      <path class="day" d="M{X(d.x)} 14V{height - 8}" />
      {#if d.label}<text x={X(d.x) + 3} y={height - 2} class="date">{d.label}</text>{/if}
    {/each}
    {#each rails as { rail, lane } (rail)}
      <text x="0" y={y(lane!) + 18} class="rail">{rail}</text>
      <path class="line" d="M{LEFT - 6} {y(lane!) + 13}H{wide - 4}" />
    {/each}
    {#each laid.ties as tie, i (i)}
      <path
        class="tie"
        d="M{X(tie.x1)} {y(tie.lane1) + 13} C{X(tie.x1) + 14} {y(tie.lane1) + 13}, {X(tie.x2) -
          14} {y(tie.lane2) + 13}, {X(tie.x2)} {y(tie.lane2) + 13}"
      />
    {/each}
    {#each drawn as run (run.steps[0]!.step.id)}
      {@const range = whisker(run)}
      <a
        href="#step-{run.steps[0]!.step.id}"
        class="block {looks(run)} no-underline outline-none"
        aria-label={[nameOf(run), about(run)].filter(Boolean).join(': ')}
        onclick={(e) => goTo(e, run)}
        onmouseenter={() => (told = run)}
        onfocus={() => (told = run)}
      >
        <title>{about(run)}</title>
        <rect
          class="body"
          x={X(run.x) + 1}
          y={y(run.lane)}
          width={Math.max(3, run.width - 2)}
          height="26"
          rx="3"
        />
        {#if range}<path
            class="range"
            d="M{X(range[0])} {y(run.lane) + 22}V{y(run.lane) + 28}M{X(range[0])} {y(run.lane) +
              25}H{X(range[1])}m0 -3v6"
          />{/if}
        <text x={X(run.x) + 6} y={y(run.lane) + 17} class="no">{nameOf(run)}</text>
      </a>
    {/each}
    {#each laid.folds as fold (fold.x)}
      <g class="fold">
        <title>{say.track.fold(span(fold.ms))}</title>
        {#each used as lane (lane)}<path
            d="M{X(fold.x + fold.width) - 18} {y(lane) + 30}l6 -34h6l-6 34z"
            class="cut"
          />{/each}
        <text x={X(fold.x + fold.width / 2)} y={height - 2} text-anchor="middle" class="date"
          >{span(fold.ms)}</text
        >
      </g>
    {/each}
    <path class="now" d="M{X(laid.now)} 14V{height - 8}" />
    <text
      x={X(laid.now)}
      y="11"
      class="nowword"
      text-anchor={X(laid.now) > wide - 60 ? 'end' : 'middle'}>{say.track.now}</text
    >
  </svg>
  <p class="foot num">
    <span>{blocks[0] ? stamp(blocks[0].starts[0]!, clock.now) : ''}</span>
    <span
      >{#if settled}{say.track.settled(
          stamp(latest(1), clock.now),
        )}{:else if blocks.length && said}{whole}{/if}</span
    >
  </p>
  <p class="foot" aria-hidden="true">{told ? about(told) : say.track.legend}</p>
</div>

<style>
  .track {
    overflow-x: auto;
    padding: 8px 8px 4px;
  }
  text {
    fill: var(--ink);
    font-size: var(--note);
    font-family: var(--text);
  }
  .rail {
    font-weight: 600;
  }
  .no {
    font-size: var(--note);
  }
  .foot {
    display: flex;
    flex-wrap: wrap;
    justify-content: space-between;
    column-gap: 16px;
    margin-left: min(88px, 20%);
    color: var(--muted);
    font-size: var(--note);
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
  .past .no {
    fill: var(--loden-ink);
  }
  .body {
    fill: var(--slate-soft);
    stroke: var(--muted);
    stroke-dasharray: 3 3;
  }
  .past .body {
    fill: var(--loden);
    stroke: none;
  }
  .under-way .body,
  .due .body {
    fill: var(--ochre-soft);
    stroke: var(--ochre-fill);
    stroke-dasharray: none;
    stroke-width: 2;
  }
  .stuck .body {
    fill: var(--madder-soft);
    stroke: var(--madder);
    stroke-dasharray: none;
    stroke-width: 2.5;
  }
  .range {
    fill: none;
    stroke: var(--slate);
    stroke-width: 1.5;
  }
  .block:focus-visible .body {
    stroke: var(--focus);
    stroke-dasharray: none;
    stroke-width: 3;
  }
  .day {
    stroke: var(--line);
    stroke-width: 1;
  }
  .date {
    font-size: var(--note);
    fill: var(--muted);
  }
  .cut {
    fill: var(--raised);
    stroke: var(--muted);
    stroke-width: 1.2;
  }
  .now {
    stroke: var(--madder);
    stroke-width: 2;
  }
  .nowword {
    fill: var(--madder);
    font-size: var(--note);
    font-weight: 600;
  }
</style>
