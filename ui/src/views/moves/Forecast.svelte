<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { Label } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { day, stamp } from '../../lib/words';
  import { p } from '../../router';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';
  import { say } from '../../lib/say';

  /** When all that is under way will be done, the chance of any day, and what earlier forecasts were worth. */
  let by = $state('');
  const at = $derived(by ? new Date(`${by}T23:59:59`).toISOString() : undefined);
  const forecast = createQuery(() => ({
    queryKey: ['moves', 'forecast', at],
    queryFn: () => ask(api.GET('/api/forecast', { params: { query: { by: at } } })),
    placeholderData: (before) => before,
  }));
  const f = $derived(forecast.data);
  let room = $state(800);
  const HIGH = 84;
  const LEFT = 44;
  const from = $derived(clock.now);
  const to = $derived(f?.curve.length ? Date.parse(f.curve.at(-1)!.at) : from + 1);
  const X = (iso: string | number) =>
    LEFT +
    ((Math.max(from, typeof iso === 'number' ? iso : Date.parse(iso)) - from) / Math.max(1, to - from)) *
      (room - LEFT - 16);
  const Y = (chance: number) => 8 + (1 - chance) * (HIGH - 16);
  const line = $derived(f ? `M${LEFT} ${Y(0)}${f.curve.map((c) => `L${X(c.at)} ${Y(c.chance)}`).join('')}` : '');
  const held = $derived(f?.calibration.filter((c) => c.held).length ?? 0);
  const span = $derived(
    Math.max(
      1,
      ...(f?.calibration.map((c) => Math.max(Date.parse(c.to), Date.parse(c.ended_at)) - Date.parse(c.from)) ?? []),
    ),
  );
  const share = (a: string, b: string) => ((Date.parse(b) - Date.parse(a)) / span) * 100;
</script>

<Trouble error={forecast.error} />
{#if f && f.moves > 0 && f.range.length}
  <section class="box raised" aria-label={say.forecast.title}>
    <h2>{say.forecast.title}</h2>
    <p>
      {say.forecast.range(
        f.moves,
        stamp(f.range[0]!, clock.now),
        stamp(f.range[1]!, clock.now),
        stamp(f.range[2]!, clock.now),
      )}
    </p>
    <div bind:clientWidth={room}>
      <svg viewBox="0 0 {room} {HIGH + 16}" width={room} height={HIGH + 16} role="img" aria-label={say.forecast.curve}>
        {#each [0, 0.5, 0.9] as c (c)}
          <path class="grid" d="M{LEFT} {Y(c)}H{room - 16}" />
          <text x={LEFT - 6} y={Y(c) + 4} text-anchor="end">{c * 10}/10</text>
        {/each}
        <path class="line" d={line} />
        {#each f.range as r, i (i)}<circle cx={X(r)} cy={Y([0.1, 0.5, 0.9][i]!)} r="4"
            ><title>{[1, 5, 9][i]}/10: {stamp(r, clock.now)}</title></circle
          >{/each}
        <text x={LEFT} y={HIGH + 13}>{stamp(new Date(from).toISOString(), clock.now)}</text>
        <text x={room - 16} y={HIGH + 13} text-anchor="end">{stamp(new Date(to).toISOString(), clock.now)}</text>
      </svg>
    </div>
    <p class="ask">
      <Label for="f-by">{say.forecast.by}</Label>
      <input id="f-by" type="date" bind:value={by} />
      {#if f.chance !== null && f.chance !== undefined}<strong>{say.forecast.chance(Math.round(f.chance * 100))}</strong
        >{/if}
    </p>
  </section>
{/if}
{#if f?.calibration.length}
  <details>
    <summary>{say.forecast.held(held, f.calibration.length)}</summary>
    <table>
      <tbody>
        {#each f.calibration as c (c.id)}
          <tr>
            <td><a class="mono" href={p('/moves/:id', { params: { id: String(c.id) } })}>{c.name}</a></td>
            <td class="bar">
              <svg viewBox="0 0 100 12" preserveAspectRatio="none" width="100%" height="12" aria-hidden="true">
                <rect class="foreseen" x="0" y="3" width={share(c.from, c.to)} height="6" />
                <rect
                  class="ended"
                  class:missed={!c.held}
                  x={Math.max(0, share(c.from, c.ended_at))}
                  y="0"
                  width="0.8"
                  height="12"
                />
              </svg>
            </td>
            <td class="num">{say.forecast.row(day(c.from), day(c.to))}, <When at={c.ended_at} bare /></td>
            <td>{c.held ? say.forecast.yes : say.forecast.no}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  </details>
{/if}

<style>
  section {
    padding: 0.7rem 0.9rem;
    margin-bottom: 0.8rem;
  }
  .ask {
    display: flex;
    flex-wrap: wrap;
    gap: 0.4rem 0.8rem;
    align-items: center;
  }
  svg {
    display: block;
  }
  text {
    fill: var(--muted);
    font-size: 11px;
  }
  .grid {
    stroke: var(--line);
    stroke-dasharray: 2 4;
  }
  .line {
    fill: none;
    stroke: var(--loden);
    stroke-width: 2.5;
  }
  circle {
    fill: var(--loden);
  }
  details {
    margin-bottom: 0.8rem;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  td {
    padding: 0.25rem 0.6rem;
    border-bottom: 1px solid var(--line);
    overflow-wrap: anywhere;
  }
  .bar {
    width: 30%;
  }
  .foreseen {
    fill: var(--slate-soft);
    stroke: var(--slate);
    stroke-width: 0.3;
  }
  .ended {
    fill: var(--loden);
  }
  .missed {
    fill: var(--madder);
  }
  @media (max-width: 800px) {
    .bar {
      display: none;
    }
  }
</style>
