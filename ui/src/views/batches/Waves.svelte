<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { day, stamp } from '../../lib/words';
  import { say } from '../../lib/say';

  /** The waves of a batch in time, each from its start to its ends; black-out spans shaded. */
  let { waves, blackouts }: { waves: Schemas['Wave'][]; blackouts: Schemas['Blackouts'] } =
    $props();
  let room = $state(800);
  const ROW = 26;
  const TOP = 18;
  const LEFT = 70;
  const DAY = 86_400_000;
  const from = $derived(Math.min(clock.now, ...waves.map((w) => Date.parse(w.starts_at))));
  const to = $derived(Math.max(from + DAY, ...waves.map((w) => Date.parse(w.ends[2]!))));
  const X = (t: number) => LEFT + ((t - from) / (to - from)) * (room - LEFT - 8);
  const at = (iso: string) => X(Date.parse(iso));
  const spans = $derived(
    blackouts
      .map(([a, b]) => [Date.parse(`${a}T00:00:00Z`), Date.parse(`${b}T00:00:00Z`) + DAY] as const)
      .filter(([a, b]) => b > from && a < to)
      .map(([a, b]) => [Math.max(a, from), Math.min(b, to)] as const),
  );
  const days = $derived.by(() => {
    const all = Math.ceil((to - from) / DAY);
    const every = Math.max(1, Math.ceil(all / Math.max(1, Math.floor((room - LEFT) / 70))));
    const first = Math.ceil(from / DAY) * DAY;
    return Array.from({ length: Math.ceil(all / every) }, (_, i) => first + i * every * DAY).filter(
      (d) => d < to,
    );
  });
  const height = $derived(TOP + waves.length * ROW + 4);
</script>

<div class="box raised" bind:clientWidth={room}>
  <svg
    viewBox="0 0 {room} {height}"
    width={room}
    {height}
    role="img"
    aria-label={say.batch.picture}
  >
    {#each days as d (d)}
      <path class="grid" d="M{X(d)} {TOP - 4}V{height}" />
      <text x={X(d) + 3} y="12">{day(new Date(d).toISOString()).slice(0, 6)}</text>
    {/each}
    {#each spans as [a, b] (a)}
      <rect class="out" x={X(a)} y={TOP - 4} width={X(b) - X(a)} height={height - TOP + 4}
        ><title>{say.batch.blackout}</title></rect
      >
    {/each}
    {#each waves as w, i (w.number)}
      {@const y = TOP + i * ROW}
      <text x="4" y={y + 16} class="name">{say.batch.wave(w.number)}</text>
      <rect
        class="most"
        x={at(w.starts_at)}
        y={y + 3}
        width={at(w.ends[2]!) - at(w.starts_at)}
        height="18"
        rx="3"
      />
      <rect
        class="usual"
        x={at(w.starts_at)}
        y={y + 3}
        width={at(w.ends[1]!) - at(w.starts_at)}
        height="18"
        rx="3"
      />
      <rect
        class="least"
        x={at(w.starts_at)}
        y={y + 3}
        width={at(w.ends[0]!) - at(w.starts_at)}
        height="18"
        rx="3"
      />
      <text x={at(w.starts_at) + 6} y={y + 16} class="count">{w.names.length}</text>
    {/each}
  </svg>
</div>
<ol>
  {#each waves as w (w.number)}
    <li>
      <strong>{say.batch.wave(w.number)}</strong>
      <span class="num">{stamp(w.starts_at, clock.now)}</span>
      <span class="muted">{say.batch.why[w.why]}</span>
      <details>
        <summary>{say.batch.ofNames(w.names.length)}</summary>
        <span class="mono">{w.unicode.join(', ')}</span>
      </details>
    </li>
  {/each}
</ol>

<style>
  .box {
    overflow: hidden;
  }
  svg {
    display: block;
  }
  text {
    fill: var(--muted);
    font-size: var(--note);
  }
  .name {
    fill: var(--ink);
    font-size: var(--note);
    font-weight: 600;
  }
  .grid {
    stroke: var(--line);
  }
  .out {
    fill: var(--madder-soft);
  }
  .most {
    fill: none;
    stroke: var(--muted);
    stroke-dasharray: 3 3;
  }
  .usual {
    fill: var(--slate-soft);
  }
  .least {
    fill: var(--line);
  }
  .count {
    fill: var(--ink);
    font-size: var(--note);
  }
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 0 16px;
    padding: 4px 0;
    overflow-wrap: anywhere;
  }
  summary {
    cursor: pointer;
  }
</style>
