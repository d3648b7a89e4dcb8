<script lang="ts">
  import type { Schemas } from '../lib/api';
  import { clock } from '../lib/clock.svelte';
  import { day, stamp } from '../lib/words';
  import { say } from '../lib/say';

  /**
   * Two futures on one axis of time: people act today, or nobody does; between them a whisker of
   * where 8 in 10 of such moves end, and the flag of the expiry where it lies within.
   */
  let {
    finish,
    futures,
    expires,
  }: {
    finish: string[];
    futures: NonNullable<Schemas['Futures']>;
    expires?: string | null | undefined;
  } = $props();
  const from = $derived(clock.now);
  const at = (iso: string | null | undefined) => (iso ? Date.parse(iso) : NaN);
  const early = $derived(at(finish[0]));
  const late = $derived(at(finish[2]));
  const ends = $derived([late, at(futures.acting), at(futures.silent), at(futures.ends)]);
  const end = $derived(Math.max(...ends.filter((ms) => ms > 0)));
  // An expiry that is no further off than that again belongs into the picture.
  const near = $derived(at(expires) < end + (end - from));
  const last = $derived(near ? Math.max(end, at(expires)) : end);
  // A twentieth more, so that no end touches the edge.
  const until = $derived(last + (last - from) / 20);
  const x = (ms: number) => `${Math.min(100, Math.max(0, ((ms - from) / (until - from)) * 100))}%`;
  const flag = $derived(at(expires) > from && at(expires) < until);
  const silent = $derived(
    say.answers.ifNobody[futures.means](futures.silent ? stamp(futures.silent, from) : ''),
  );
  const label = $derived(
    `${say.answers.acting(stamp(futures.acting, from))}; ${silent}${
      flag && expires ? `; ${say.answers.expires(day(expires))}` : ''
    }`,
  );
</script>

<div
  class="grid grid-cols-[max-content_minmax(0,1fr)] gap-y-0.5 gap-x-4 items-center text-note
    text-muted pb-4"
  role="img"
  aria-label={label}
>
  <span class="who">{say.answers.youAct}</span>
  <span class="axis relative h-4 border-l-2 border-l-ink">
    <span
      class="bar acting bg-loden top-1 h-2 border-r-[3px] border-r-ink"
      style:width={x(at(futures.acting))}
    ></span>
    {#if flag}<span class="flag" style:left={x(at(expires))}></span>{/if}
  </span>
  <span class="who">{say.answers.usually}</span>
  <span class="axis relative h-4 border-l-2 border-l-ink">
    <span class="whisker" style:left={x(early)} style:width="calc({x(late)} - {x(early)})"></span>
    {#if flag}<span class="flag mast" style:left={x(at(expires))}></span>{/if}
  </span>
  <span class="who">{say.answers.nobody}</span>
  <span class="axis relative h-4 border-l-2 border-l-ink">
    {#if futures.silent}<span
        class="bar silent top-1 h-2 border-r-[3px] border-r-ink"
        style:width={x(at(futures.silent))}
      ></span>
    {:else}<span
        class="bar open top-1 h-2 border-r-[3px] border-r-ink"
        style:width={futures.ends ? x(at(futures.ends)) : '100%'}
      ></span>
    {/if}
    {#if flag}<span class="flag mast" style:left={x(at(expires))}></span>{/if}
  </span>
</div>

<style>
  .bar,
  .whisker,
  .flag {
    position: absolute;
  }
  .silent {
    background: var(--ochre-soft);
    border-block: 1px solid var(--ochre);
  }
  /* It comes to no end: no edge there. */
  .open {
    border-right: 0;
    border-top: 3px dotted var(--madder);
    height: 0;
    top: 7px;
  }
  .whisker {
    top: 4px;
    height: 8px;
    border-inline: 2px solid var(--muted);
    background: linear-gradient(var(--muted), var(--muted)) center / 100% 2px no-repeat;
  }
  .flag {
    top: 0;
    bottom: -2px;
    border-left: 2px solid var(--madder);
  }
  .flag:not(.mast)::after {
    content: '';
    position: absolute;
    top: 0;
    left: 0;
    border-left: 10px solid var(--madder);
    border-block: 5px solid transparent;
  }
</style>
