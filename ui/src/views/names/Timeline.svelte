<script lang="ts">
  import type { NameSheet } from '../../lib/api';
  import { between, dayOf, later, morning } from '../../lib/days';
  import { put } from '../../lib/list';
  import { day, span } from '../../lib/words';
  import Ruler from '../../parts/Ruler.svelte';
  import When from '../../parts/When.svelte';
  import { say } from '../../lib/say';

  /** The large ruler: the what-if line is dragged along it, the verdict follows. */
  let { sheet, now, at }: { sheet: NameSheet; now: string; at: string | undefined } = $props();
  const DAY = 86_400_000;
  const today = $derived(dayOf(now));
  const days = $derived(at ? between(today, dayOf(at)) : 0);
  let moving = $state<number>();
  // Open from now to the end of what is looked ahead, with nothing between.
  const stays = $derived(
    sheet.windows.length === 1 &&
      Date.parse(sheet.windows[0]![1]!) - Date.parse(sheet.windows[0]![0]!) >=
        sheet.horizon_days * DAY - 1000,
  );
  const shown = $derived(moving ?? days);
  const date = (n: number) => morning(later(today, n));

  function drop(n: number) {
    put('at', n > 0 ? date(n) : undefined);
    moving = undefined;
  }
</script>

<div class="relative mt-4">
  <Ruler
    row={sheet}
    from={now}
    days={sheet.horizon_days}
    at={shown ? date(shown) : undefined}
    large
  />
  <input
    class="w-full m-0"
    type="range"
    min="0"
    max={sheet.horizon_days}
    value={shown}
    aria-label={say.timeline.asIfDate}
    aria-valuetext={shown
      ? say.timeline.in(day(date(shown)), span(shown * DAY))
      : say.timeline.today}
    title={say.timeline.dragLine}
    oninput={(e) => (moving = Number(e.currentTarget.value))}
    onchange={(e) => drop(Number(e.currentTarget.value))}
  />
</div>
<p class="keys muted flex flex-wrap gap-y-1 gap-x-4 text-note">
  <span><i class="closed"></i> {say.timeline.closed}</span><span
    ><i class="soft"></i> {say.timeline.softMark}</span
  ><span><i class="open"></i> {say.timeline.open}</span>{#if sheet.dark.length}<span
      ><i class="dark"></i> {say.timeline.notKnown}</span
    >{/if}<span>{say.timeline.expiryMark}</span><span>{say.timeline.latestMark}</span>
</p>
<dl class="my-2 mx-0">
  <dt>{say.timeline.earliestStart}</dt>
  <dd>
    {#if sheet.earliest_start}<When at={sheet.earliest_start} />{:else}{say.timeline.notKnown}{/if}
  </dd>
  <dt>{say.timeline.latestSafeStart}</dt>
  <dd>
    {#if sheet.latest_safe_start}<When at={sheet.latest_safe_start} />{:else}{say.timeline
        .notKnown}{/if}
  </dd>
  <dt>{say.timeline.nextWindow}</dt>
  <dd>
    {#if sheet.next_window}<When at={sheet.next_window[0]!} bare />
      {say.timeline.to}
      <When at={sheet.next_window[1]!} bare />{:else if stays}{say.timeline.staysOpen(
        sheet.horizon_days,
      )}{:else if sheet.windows.length}{say.timeline.thisOneCloses}
      <When at={sheet.windows[0]![1]!} />{:else}{sheet.dark.length
        ? say.timeline.notKnown
        : say.timeline.noWindow(sheet.horizon_days)}{/if}
  </dd>
</dl>

<style>
  i {
    display: inline-block;
    width: 1.1rem;
    height: 0.7rem;
    margin-right: 4px;
    vertical-align: -0.05rem;
  }
  .closed {
    background: repeating-linear-gradient(135deg, var(--madder) 0 2px, var(--madder-soft) 2px 5px);
  }
  .soft {
    background: var(--ochre-soft);
    border: 1px solid var(--ochre-fill);
    height: 0.4rem;
  }
  .dark {
    height: 0;
    border-top: 2px dotted var(--ink);
    vertical-align: 0.2rem;
  }
  .open {
    background: var(--loden);
    height: 3px;
    vertical-align: 0.2rem;
  }
</style>
