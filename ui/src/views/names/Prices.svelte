<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api';
  import { say } from '../../lib/say';
  import { money, plainDay } from '../../lib/words';
  import Trouble from '../../parts/Trouble.svelte';

  /**
   * What the name costs at every destination that takes it, beside staying, one to three years
   * ahead.
   */
  let { name, chosen, choose }: { name: string; chosen: string; choose: (id: string) => void } =
    $props();
  let privacy = $state(false);
  let open = $state(false);
  const prices = createQuery(() => ({
    queryKey: ['prices', name, privacy],
    queryFn: () =>
      ask(api.GET('/api/names/{name}/prices', { params: { path: { name }, query: { privacy } } })),
    enabled: open,
  }));
  type Row = Schemas['PricesAhead']['rows'][number];
  const parts = (row: Row) => {
    const q = row.quote;
    if (!q?.total || !q.fee) return '';
    const minus = q.promotion?.minor ? say.prices.less(money(q.promotion)) : '';
    const plus = q.per_transaction?.minor ? say.prices.perOrder(money(q.per_transaction)) : '';
    return say.prices.fee(
      money(q.fee),
      minus,
      plus,
      q.privacy?.minor ? say.prices.privacy(money(q.privacy)) : '',
      q.tax?.minor ? say.prices.tax(money(q.tax)) : '',
    );
  };
</script>

<details class="my-2 mx-0 overflow-x-auto" bind:open>
  <summary class="cursor-pointer font-semibold">{say.prices.compare}</summary>
  <Trouble error={prices.error} />
  {#if prices.data}
    {@const rates = prices.data.rates}
    <p>
      <label><input type="checkbox" bind:checked={privacy} /> {say.prices.withPrivacy}</label>
      {#if rates}<span class="muted">{say.prices.converted(rates.to, plainDay(rates.date))}</span
        >{/if}
    </p>
    <table class="figures">
      <thead>
        <tr>
          <th>{say.prices.where}</th><th class="num">{say.prices.year(1)}</th><th class="num"
            >{say.prices.year(2)}</th
          ><th class="num">{say.prices.year(3)}</th><th>{say.prices.firstYear}</th>
        </tr>
      </thead>
      <tbody>
        {#each prices.data.rows as row (row.account_id)}
          <tr class:bg-sheet={row.account_id === chosen}>
            <td>
              {#if row.staying}<strong>{say.prices.stay(row.title)}</strong>{:else}
                <button class="link" onclick={() => choose(row.account_id)}>{row.title}</button>
                {#if row.takes === null}<span class="muted block">{say.prices.takesNotKnown}</span
                  >{/if}
              {/if}
            </td>
            {#each [0, 1, 2] as n (n)}
              <td class="num"
                >{row.ahead[n] ? money(row.ahead[n]) : say.prices.notKnown}
                {#if row.converted[n] && row.converted[n].currency !== row.ahead[n]?.currency}
                  <span class="muted block">{money(row.converted[n])}</span>
                {/if}</td
              >
            {/each}
            <td
              >{parts(row)}
              {#if row.promotion_until}<span class="muted block"
                  >{say.prices.until(plainDay(row.promotion_until))}</span
                >{/if}</td
            >
          </tr>
        {/each}
      </tbody>
    </table>
    <p class="muted">{say.prices.sumsAfterYears}</p>
  {/if}
</details>
