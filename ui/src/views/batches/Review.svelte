<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { money, stamp } from '../../lib/words';
  import { say } from '../../lib/say';
  import Sentence from '../../parts/Sentence.svelte';
  import DoneBy from './DoneBy.svelte';
  import Waves from './Waves.svelte';

  /** Everything before money moves, on one page. */
  let {
    review,
    blackouts,
    late,
  }: {
    review: Schemas['BatchReview'];
    blackouts: Schemas['Blackouts'];
    late?: (name: string, choice: 'renew' | 'go') => void;
  } = $props();
  const able = $derived(review.rows.filter((r) => r.startable));
  const left = $derived(review.rows.filter((r) => !r.startable));
  const sums = $derived(review.sums);
  const sum = (list: Schemas['Amount'][]) =>
    list.map(money).join(say.batch.and) || say.batch.priceNotKnown;
</script>

<p>
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
{#each review.above as s (s)}<p class="above">{s}</p>{/each}

{#if review.waves.length}
  <h2>{say.batch.order}</h2>
  <Waves waves={review.waves} {blackouts} />
{/if}

{#if able.length}
  <h2>{say.batch.risks}</h2>
  <ul>
    {#each review.risks as cases, i (i)}
      <li>
        <details>
          <summary
            ><span class="num count"
              >{say.batch.ofNames(cases.reduce((n, c) => n + c.names.length, 0))}</span
            >
            <Sentence text={cases[0]!.says} /></summary
          >
          {#each cases as c (c.says)}
            <p>
              {#if cases.length > 1}<Sentence text={c.says} />{/if}
              <span class="mono">{c.unicode.join(', ')}</span>
            </p>
          {/each}
        </details>
      </li>
    {:else}<li>{say.batch.noRisks}</li>{/each}
  </ul>

  <h2>{say.batch.asks}</h2>
  <ul>
    {#each review.asks as a (`${a.place} ${a.says}`)}
      <li class="ask">
        <strong>{a.place ?? say.batch.you}</strong> <span>{a.says}</span>
        <span class="num muted" title={a.unicode.join(', ')}
          >{say.batch.ofNames(a.names.length)}</span
        >
      </li>
    {:else}<li>{say.batch.noAsks}</li>{/each}
  </ul>

  <h2>{say.batch.money}</h2>
  <table class="figures">
    <thead>
      <tr
        ><th scope="col">{say.batch.where}</th><th scope="col" class="num">{say.batch.count}</th><th
          scope="col"
          class="num">{say.batch.cost}</th
        ><th scope="col" class="num">{say.batch.saves}</th></tr
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

{#if left.length}
  <h2>{say.batch.leftOut}</h2>
  <ul>
    {#each left as r (r.name)}
      <li>
        <span class="mono">{r.unicode}</span>
        {#each r.says as s (s)}<p class="why"><Sentence text={s} /></p>{/each}
        {#if r.late && late}
          <p class="choose">
            <button type="button" class="link" onclick={() => late(r.name, 'renew')}
              >{say.batch.renewFirst}</button
            >
            <button type="button" class="link" onclick={() => late(r.name, 'go')}
              >{say.batch.acceptRisk}</button
            >
          </p>
        {/if}
      </li>
    {/each}
  </ul>
{/if}

<style>
  h2 {
    margin: 16px 0 4px;
  }
  li {
    padding: 4px 0;
    border-top: 1px solid var(--line);
    overflow-wrap: anywhere;
  }
  summary {
    cursor: pointer;
  }
  .count {
    display: inline-block;
    min-width: 5.2rem;
    font-weight: 600;
  }
  .ask {
    display: grid;
    grid-template-columns: minmax(8rem, 13rem) minmax(0, 1fr) auto;
    gap: 0 16px;
  }
  .above {
    border-left: 4px solid var(--ochre-fill);
    padding-left: 8px;
  }
  .why {
    color: var(--madder);
  }
  .choose {
    display: flex;
    gap: 16px;
  }
</style>
