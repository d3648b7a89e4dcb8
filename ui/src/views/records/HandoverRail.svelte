<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { stamp } from '../../lib/words';
  import Sentence from '../../parts/Sentence.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import TurnMark from '../../parts/TurnMark.svelte';
  import When from '../../parts/When.svelte';
  import { say } from '../../lib/say';

  /** The handover's instants on one line of time, who acts at each, and the way back from there. */
  let { name, moving }: { name: string; moving: boolean } = $props();
  const handover = createQuery(() => ({
    queryKey: ['handover', name],
    queryFn: () => ask(api.GET('/api/records/{name}/handover', { params: { path: { name } } })),
  }));
  const h = $derived(handover.data?.handover);
  let room = $state(800);
  const LEFT = 104;
  const RIGHT = 16;
  // One instant may stand on another: they are numbered, and drawn no closer than their numbers.
  const marks = $derived.by(() => {
    const list = h?.instants ?? [];
    if (!list.length) return [];
    const from = Date.parse(list[0]!.at);
    const to = Math.max(...list.map((i) => Date.parse(i.at)), from + 1);
    const sorted = list
      .map((i, n) => ({
        ...i,
        no: n + 1,
        x: LEFT + ((Date.parse(i.at) - from) / (to - from)) * (room - LEFT - RIGHT),
      }))
      .sort((a, b) => a.x - b.x || a.no - b.no);
    let last = -99;
    for (const m of sorted) last = m.x = Math.max(m.x, last + 22);
    const over = last - (room - RIGHT);
    if (over > 0) {
      let next = room - RIGHT + 22;
      for (const m of [...sorted].reverse()) next = m.x = Math.min(m.x, next - 22);
    }
    return sorted;
  });
  const at = (id: string) => marks.find((m) => m.id === id)?.x;
  const nowX = $derived.by(() => {
    const list = h?.instants ?? [];
    if (list.length < 2) return null;
    const before = marks.filter((m) => Date.parse(m.at) <= clock.now).at(-1);
    const after = marks.find((m) => Date.parse(m.at) > clock.now);
    if (!before || !after) return null;
    const share =
      (clock.now - Date.parse(before.at)) / (Date.parse(after.at) - Date.parse(before.at));
    return before.x + share * (after.x - before.x);
  });
</script>

<Trouble error={handover.error} />
{#if h}
  <div class="box raised pic" bind:clientWidth={room}>
    <svg
      viewBox="0 0 {room} 74"
      width={room}
      height="74"
      role="img"
      aria-label={say.handoverRail.picture(
        h.instants.length,
        stamp(h.instants[0]!.at, clock.now),
        stamp(h.instants.at(-1)!.at, clock.now),
      )}
    >
      <text x="6" y="34" class="rail">{say.handoverRail.records}</text>
      <text x="6" y="54" class="rail">{say.handoverRail.registration}</text>
      <path class="line" d="M{LEFT - 12} 30H{room - 4}" />
      <path class="line thin" d="M{LEFT - 12} 50H{room - 4}" />
      {#if at('switch_at') && at('retire_at')}
        <rect
          class="both"
          x={at('switch_at')}
          y="26"
          width={Math.max(0, at('retire_at')! - at('switch_at')!)}
          height="8"
        />
      {/if}
      {#each marks as m (m.id)}
        {#if m.id === 'order_at'}<path class="tie" d="M{m.x} 30V50" />{/if}
        <g class:seen={m.seen}>
          <title>{say.handoverRail.instants[m.id]}: {stamp(m.at, clock.now)}</title>
          <circle cx={m.x} cy={m.id === 'order_at' ? 50 : 30} r="10" />
          <text x={m.x} y={(m.id === 'order_at' ? 50 : 30) + 4} text-anchor="middle" class="no"
            >{m.no}</text
          >
        </g>
      {/each}
      {#if nowX !== null}<path class="now" d="M{nowX} 14V64" /><text
          x={nowX + 3}
          y="12"
          class="nowword">{say.handoverRail.now}</text
        >{/if}
    </svg>
  </div>
  {#if !moving}<p class="muted">{say.handoverRail.ifBegun}</p>{/if}
  <ol>
    {#each h.instants as i (i.id)}
      <li>
        <span class="what"><TurnMark turn={i.who} /> {say.handoverRail.instants[i.id]}</span>
        <span class="num"><When at={i.at} />{i.seen ? `, ${say.handoverRail.seen}` : ''}</span>
        <span class="muted back"><Sentence text={i.back} /></span>
      </li>
    {/each}
  </ol>
  {#if h.instants.some((i) => i.id === 'retire_at')}<p>
      {say.handoverRail.stillAnswers(
        stamp(h.instants.find((i) => i.id === 'retire_at')!.at, clock.now),
      )}
    </p>{/if}
  {#if h.unbounded}<p class="caution">{say.handoverRail.unbounded}</p>{/if}
  {#if h.assumed}<p class="muted">{say.handoverRail.assumed}</p>{/if}
{:else if handover.data}<p class="muted">{say.handoverRail.none}</p>{/if}

<style>
  .pic {
    padding: 4px 0;
    overflow: hidden;
  }
  svg {
    display: block;
  }
  text {
    fill: var(--ink);
    font-size: var(--note);
  }
  .rail {
    font-weight: 600;
  }
  .line {
    stroke: var(--line);
    stroke-width: 3;
  }
  .thin {
    stroke-width: 2;
  }
  .both {
    fill: var(--ochre-soft);
    stroke: var(--ochre-fill);
  }
  .tie {
    stroke: var(--muted);
    stroke-dasharray: 3 3;
  }
  circle {
    fill: var(--raised);
    stroke: var(--loden);
    stroke-width: 2;
  }
  .seen circle {
    fill: var(--loden);
  }
  .seen .no {
    fill: var(--loden-ink);
  }
  .now {
    stroke: var(--madder);
    stroke-width: 2;
  }
  .nowword {
    fill: var(--madder);
  }
  ol {
    list-style: decimal inside;
    margin: 8px 0;
  }
  li {
    display: grid;
    grid-template-columns: minmax(0, 4fr) minmax(0, 4fr) minmax(0, 7fr);
    gap: 2px 16px;
    padding: 4px 0;
    border-bottom: 1px solid var(--line);
  }
  .what {
    display: inline-flex;
    gap: 8px;
    align-items: baseline;
  }
  .back {
    font-size: var(--body);
  }
  .caution {
    border-left: 4px solid var(--ochre-fill);
    background: var(--ochre-soft);
    padding: 8px 8px;
  }
  @media (max-width: 800px) {
    li {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
