<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Schemas } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { money, stamp } from '../../lib/words';
  import { say } from '../../lib/say';
  import Calendar from './Calendar.svelte';
  import type { Mend } from './mend';
  import DoneBy from './DoneBy.svelte';
  import LeftOut from './LeftOut.svelte';
  import Risks from './Risks.svelte';

  /** Everything before money moves, on one page. */
  let {
    review,
    blackouts,
    mend,
    change,
  }: {
    review: Schemas['BatchReview'];
    blackouts: Schemas['Blackouts'];
    /** Sets something for some of the names. */
    mend?: Mend | undefined;
    /** What may be changed of a name. */
    change?: Snippet<[string]> | undefined;
  } = $props();
  const able = $derived(review.rows.filter((r) => r.startable));
  const sums = $derived(review.sums);
  const sum = (list: Schemas['Amount'][]) =>
    list.map(money).join(say.batch.and) || say.batch.priceNotKnown;
</script>

<p class="my-2 mx-0">
  {#if sums.saves.length}{say.batch.saving(sum(sums.saves))}{/if}
  {#if sums.unpriced}{say.batch.unpriced(sums.unpriced)}{/if}
  {#if sums.uncompared}{say.batch.uncompared(sums.uncompared)}{/if}
  {#if review.range.length === 3}
    {say.batch.doneBetween(
      stamp(review.range[0]!, clock.now),
      stamp(review.range[1]!, clock.now),
      stamp(review.range[2]!, clock.now),
    )}
  {/if}
</p>
{#if review.range[2]}<DoneBy id="done-by" late={review.range[2]} />{/if}
{#each review.above as s (s)}<p class="border-l-4 border-l-ochre-fill pl-2">{s}</p>{/each}

<div class="columns grid grid-cols-[minmax(0,1fr)_minmax(12rem,18rem)] gap-x-4 mt-4">
  <div><Calendar {review} {blackouts} {mend} {change} /></div>
  <aside>
    <LeftOut rows={review.rows} {mend} />
    {#if able.length}<Risks risks={review.risks} />{/if}
  </aside>
</div>

{#if review.waves.length}
  <details class="fold">
    <summary>{say.batch.order}</summary>
    <ol>
      {#each review.waves as w (w.number)}
        <li
          class="ask grid grid-cols-[minmax(8rem,13rem)_minmax(0,1fr)_auto] gap-x-4 py-1 px-0
            border-t border-t-line wrap-anywhere"
        >
          <strong>{say.batch.wave(w.number)}</strong>
          <span>{stamp(w.starts_at, clock.now)}, {say.batch.why[w.why]}</span>
          <span class="num muted">{say.batch.ofNames(w.names.length)}</span>
        </li>
      {/each}
    </ol>
  </details>
{/if}
{#if able.length}
  <details class="fold">
    <summary>{say.batch.asks}</summary>
    <ul>
      {#each review.asks as a (`${a.place} ${a.says}`)}
        <li
          class="ask grid grid-cols-[minmax(8rem,13rem)_minmax(0,1fr)_auto] gap-x-4 py-1 px-0
            border-t border-t-line wrap-anywhere"
        >
          <strong>{a.place ?? say.batch.you}</strong> <span>{a.says}</span>
          <span class="num muted" title={a.unicode.join(', ')}
            >{say.batch.ofNames(a.names.length)}</span
          >
        </li>
      {:else}<li class="py-1 px-0 border-t border-t-line wrap-anywhere">
          {say.batch.noAsks}
        </li>{/each}
    </ul>
  </details>

  {#if review.places.length > 1}
    <h2 class="mt-4 mb-1 mx-0">{say.batch.money}</h2>
    <table class="figures">
      <thead>
        <tr
          ><th scope="col">{say.batch.where}</th><th scope="col" class="num">{say.batch.count}</th
          ><th scope="col" class="num">{say.batch.cost}</th><th scope="col" class="num"
            >{say.batch.saves}</th
          ></tr
        >
      </thead>
      <tbody>
        {#each review.places as place (place.to)}
          <tr>
            <td>{place.title}</td>
            <td class="num">{place.names}</td>
            <td class="num">{sum(place.sums.total)}</td>
            <td class="num">{place.sums.saves.map(money).join(say.batch.and) || '–'}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
{/if}

<style>
  aside :global(h2:not(:first-child)) {
    margin-top: 16px;
  }
  @container sheet (width < 62rem) {
    .columns {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
