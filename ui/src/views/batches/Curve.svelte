<script lang="ts">
  import { clock } from '../../lib/clock.svelte';
  import { stamp } from '../../lib/words';
  import { say } from '../../lib/say';
  import type { Schemas } from '../../lib/api';

  /** The chance to be all done by each instant. */
  let { range, curve }: { range: string[]; curve: Schemas['CurvePoint'][] } = $props();
  let room = $state(800);
  const HIGH = 84;
  const LEFT = 44;
  const from = $derived(clock.now);
  const to = $derived(curve.length ? Date.parse(curve.at(-1)!.at) : from + 1);
  const X = (iso: string) =>
    LEFT + ((Math.max(from, Date.parse(iso)) - from) / Math.max(1, to - from)) * (room - LEFT - 16);
  const Y = (chance: number) => 8 + (1 - chance) * (HIGH - 16);
  const line = $derived(
    `M${LEFT} ${Y(0)}${curve.map((c) => `L${X(c.at)} ${Y(c.chance)}`).join('')}`,
  );
</script>

<div bind:clientWidth={room}>
  <svg
    class="block"
    viewBox="0 0 {room} {HIGH + 16}"
    width={room}
    height={HIGH + 16}
    role="img"
    aria-label={say.forecast.curve}
  >
    {#each [0, 0.5, 0.9] as c (c)}
      <path class="stroke-line [stroke-dasharray:2_4]" d="M{LEFT} {Y(c)}H{room - 16}" />
      <text class="fill-muted text-note" x={LEFT - 6} y={Y(c) + 4} text-anchor="end"
        >{c * 10}/10</text
      >
    {/each}
    <path class="line fill-none stroke-loden stroke-[2.5]" d={line} />
    {#each range as r, i (i)}<circle class="fill-loden" cx={X(r)} cy={Y([0.1, 0.5, 0.9][i]!)} r="4"
        ><title>{[1, 5, 9][i]}/10: {stamp(r, clock.now)}</title></circle
      >{/each}
    <text class="fill-muted text-note" x={LEFT} y={HIGH + 13}
      >{stamp(new Date(from).toISOString(), clock.now)}</text
    >
    <text class="fill-muted text-note" x={room - 16} y={HIGH + 13} text-anchor="end"
      >{stamp(new Date(to).toISOString(), clock.now)}</text
    >
  </svg>
</div>
