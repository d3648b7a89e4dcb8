<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Schemas } from '../../lib/api';
  import { DAY, marks } from '../../lib/axis';
  import { clock } from '../../lib/clock.svelte';
  import { inParts } from '../../lib/part.svelte';
  import { day, money, stamp } from '../../lib/words';
  import { say } from '../../lib/say';
  import type { Mend } from './mend';
  import Sentence from '../../parts/Sentence.svelte';

  /**
   * Every name of a batch on one axis, the next expiry first: when it starts and ends, the flag of
   * its expiry, what is asked of whom, what it costs; of what is left out, why.
   */
  let {
    review,
    blackouts,
    mend,
    change,
  }: {
    review: Schemas['BatchReview'];
    blackouts: Schemas['Blackouts'];
    mend?: Mend | undefined;
    change?: Snippet<[string]> | undefined;
  } = $props();
  const expiry = (r: Schemas['BatchRow']) => (r.expires_at ? Date.parse(r.expires_at) : Infinity);
  const rows = $derived([...review.rows].sort((a, b) => expiry(a) - expiry(b)));
  const part = inParts(() => rows);
  const waves = $derived(new Map(review.waves.flatMap((w) => w.names.map((n) => [n, w] as const))));
  const from = $derived(Math.floor(clock.now / DAY) * DAY);
  const to = $derived.by(() => {
    const ends = review.waves.map((w) => Date.parse(w.ends[2]!));
    const days = Math.ceil((Math.max(from + 3 * DAY, ...ends) - from) / DAY) + 1;
    return from + days * DAY;
  });
  const X = (t: number) => ((Math.min(Math.max(t, from), to) - from) / (to - from)) * 100;
  const stretch = (a: number, b: number) => `left:${X(a)}%;width:${Math.max(0.4, X(b) - X(a))}%`;
  const spans = $derived(
    blackouts
      .map(([a, b]) => [Date.parse(`${a}T00:00:00Z`), Date.parse(`${b}T00:00:00Z`) + DAY] as const)
      .filter(([a, b]) => b > from && a < to),
  );
  const ticks = $derived.by(() => {
    const all = marks(from, to, (to - from) / DAY > 14 ? 'week' : 'day');
    // None that would run out of the picture.
    const every = Math.ceil(all.length / 4);
    return all.filter((t, i) => i % every === 0 && X(t) < 85);
  });
  const first = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
  const listed = (words: string[]) => first(words.join(', ').toLowerCase()) || '–';
</script>

{#snippet times(w: Schemas['Wave'], flag: number)}
  {@const start = Date.parse(w.starts_at)}
  {@const [, usual, last] = w.ends.map((t) => Date.parse(t)) as [number, number, number]}
  <span
    class="pic relative block h-6 overflow-hidden"
    role="img"
    aria-label={say.batch.fromTo(
      w.number,
      stamp(w.starts_at, clock.now),
      stamp(w.ends[1]!, clock.now),
      stamp(w.ends[2]!, clock.now),
    )}
  >
    {#each spans as [a, b] (a)}<i class="top-0 bottom-0 bg-madder-soft" style={stretch(a, b)}
      ></i>{/each}
    <i class="bar top-1 h-3 rounded-[3px] bg-loden" style={stretch(start, usual)}></i>
    <i class="top-[9px] h-0.5 bg-ink border-r-2 border-r-ink" style={stretch(usual, last)}></i>
    {#if flag < last}<i class="over top-4.5 h-1 bg-madder" style={stretch(flag, last)}></i>{/if}
    {#if flag <= to}<i class="flag top-0 h-6 border-l-2 border-l-madder" style="left:{X(flag)}%"
      ></i>{/if}
  </span>
{/snippet}

<div class="box raised calendar @container/calendar" role="table" aria-label={say.batch.order}>
  <div class="row head" role="row">
    <span role="columnheader">{say.batch.byExpiry}</span>
    <span
      role="columnheader"
      class="pic relative block h-6 overflow-hidden"
      aria-label={say.batch.when}
    >
      {#each ticks as t (t)}<i
          class="tick text-note font-normal whitespace-nowrap"
          style="left:{X(t)}%">{day(new Date(t).toISOString()).slice(0, 6)}</i
        >{/each}
    </span>
    <span role="columnheader">{say.batch.expires}</span>
    <span role="columnheader">{say.batch.youDo}</span>
    <span role="columnheader">{say.batch.theyDo}</span>
    <span role="columnheader" class="num cost text-right">{say.batch.cost}</span>
  </div>
  {#each part.shown as r (r.name)}
    {@const w = waves.get(r.name)}
    <div class="row" class:late={r.late} role="row">
      <span role="cell" class="mono name">{r.unicode}</span>
      {#if w && r.startable}
        <span role="cell">
          {@render times(w, expiry(r))}
          <span class="note muted">{say.batch.wave(w.number)}, {stamp(w.starts_at, clock.now)}</span
          >
        </span>
        <span role="cell" class="num" data-what={say.batch.expires}
          >{r.expires_at ? day(r.expires_at) : '–'}</span
        >
        <span role="cell" data-what={say.batch.youDo}>{listed(r.you)}</span>
        <span role="cell" data-what={say.batch.theyDo}>{listed(r.they)}</span>
        <span role="cell" class="num cost text-right">{r.total ? money(r.total) : '–'}</span>
      {:else}
        <span role="cell" class="col-[2/7]">
          {#each r.says as s (s)}<p><Sentence text={s} /></p>{/each}
          {#if r.late && mend}
            <button type="button" class="link" onclick={() => mend([r.name], { late: 'renew' })}
              >{say.batch.renewFirst}</button
            >
            <button type="button" class="link" onclick={() => mend([r.name], { late: 'go' })}
              >{say.batch.acceptRisk}</button
            >
          {/if}
        </span>
      {/if}
      {#if change}<span role="cell" class="change col-start-7">{@render change(r.name)}</span>{/if}
    </div>
  {/each}
</div>
{#if part.left}<button type="button" class="link" onclick={part.more}
    >{say.batch.moreNames(part.left)}</button
  >{/if}

<style>
  .row {
    display: grid;
    grid-template-columns:
      minmax(12.4rem, 3fr) minmax(7rem, 4fr) 6rem minmax(5rem, 2fr) minmax(5rem, 2fr)
      5rem 6rem;
    gap: 4px 16px;
    padding: 8px 16px;
    border-top: 1px solid var(--line);
    overflow-wrap: anywhere;
  }
  .head {
    border-top: 0;
    color: var(--muted);
    font-weight: 600;
  }
  .late {
    background: var(--madder-soft);
  }
  .pic i {
    position: absolute;
    font-style: normal;
  }
  .flag::after {
    content: '';
    position: absolute;
    border: 4px solid transparent;
    border-left: 8px solid var(--madder);
  }
  @container calendar (width < 46rem) {
    .row {
      grid-template-columns: minmax(0, 1fr) auto;
    }
    .head {
      display: none;
    }
    .row > * {
      grid-column: 1 / -1;
    }
    .name {
      grid-column: 1;
    }
    [data-what]::before {
      content: attr(data-what) ': ';
      color: var(--muted);
    }
    .cost {
      text-align: left;
    }
    .change {
      grid-column: 2;
      grid-row: 1;
    }
  }
</style>
