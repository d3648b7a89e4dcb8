<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import type { Importing, Preview } from '../../lib/importing.svelte';
  import { say } from '../../lib/say';

  /** What the rows leave open: asked once for all of them. */
  let {
    importing,
    seen,
    accounts,
  }: {
    importing: Importing;
    seen: Preview;
    accounts: readonly { id: string; title: string }[];
  } = $props();

  type Question = Schemas['ImportPreview']['questions'][number];
  const asked = (kind: Question['kind']) => seen.questions.find((q) => q.kind === kind);
  const order = $derived(asked('order'));
  const decimal = $derived(asked('decimal'));
  const currency = $derived(asked('currency'));
  let code = $state('');
  const figures = (sample: string) => sample.match(/^(\d{1,2})\D+(\d{1,2})\D+(\d{2,4})/);
  function spoken(sample: string, first: 'day' | 'month') {
    const found = figures(sample);
    if (!found) return say.takeIn.orders[first];
    const [one, two, year] = found.slice(1).map(Number) as [number, number, number];
    const [day, month] = first === 'day' ? [one, two] : [two, one];
    const at = new Date(Date.UTC(year < 100 ? 2000 + year : year, month - 1, day));
    return at.toLocaleDateString('en-GB', { dateStyle: 'long', timeZone: 'UTC' });
  }
  // “1.250”: with the sign before the decimals, or between thousands.
  const plain = (sample: string) => sample.replace(/[^\d.,]/g, '');
  const read = (sample: string, sign: 'point' | 'comma') =>
    plain(sample).includes(sign === 'point' ? '.' : ',')
      ? say.takeIn.fraction(plain(sample).replace(',', '.'))
      : say.takeIn.thousands(plain(sample).replace(/[.,]/, ' '));
  const unknown = $derived(seen.registrars.filter((r) => !r.account));
  const known = $derived(seen.registrars.filter((r) => r.account));
</script>

{#if order}
  <fieldset>
    <legend>{say.takeIn.whichDay(order.sample)}</legend>
    {#each ['day', 'month'] as const as first (first)}
      <button
        type="button"
        class="py-1 px-4 bg-raised border border-line rounded-(--radius)"
        onclick={() => importing.choose({ order: first })}>{spoken(order.sample, first)}</button
      >
    {/each}
  </fieldset>
{/if}
{#if decimal}
  <fieldset>
    <legend>{say.takeIn.whichSum(decimal.sample)}</legend>
    {#each ['point', 'comma'] as const as sign (sign)}
      <button
        type="button"
        class="py-1 px-4 bg-raised border border-line rounded-(--radius)"
        onclick={() => importing.choose({ decimal: sign })}>{read(decimal.sample, sign)}</button
      >
    {/each}
  </fieldset>
{/if}
{#if currency}
  <fieldset>
    <legend>{say.takeIn.whichCurrency(currency.sample)}</legend>
    <input
      class="plain code w-[5rem] uppercase"
      aria-label={say.takeIn.currency}
      placeholder="EUR"
      maxlength="3"
      bind:value={code}
      onchange={() =>
        /^[a-z]{3}$/i.test(code.trim()) &&
        importing.choose({ currency: code.trim().toUpperCase() })}
    />
  </fieldset>
{/if}
{#if seen.registrars.length}
  <fieldset class="who">
    <legend>{say.takeIn.registrars}</legend>
    {#each [...unknown, ...known] as r (r.given)}
      <label class="grid grid-cols-[minmax(0,18rem)_minmax(0,16rem)] gap-2 items-center">
        <span>{say.takeIn.registrar(r.given, r.names)}</span>
        <select
          class="plain"
          value={importing.account(r.given)}
          onchange={(e) =>
            importing.choose({
              accounts: { ...importing.choices.accounts, [r.given]: e.currentTarget.value },
            })}
        >
          {#if !r.account}<option value="new">{say.takeIn.newAccount}</option>{/if}
          {#each accounts as a (a.id)}<option value={a.id}>{a.title}</option>{/each}
          <option value="out">{say.takeIn.leaveTheirs}</option>
        </select>
      </label>
    {/each}
  </fieldset>
{/if}
{#if seen.table && seen.counts.known}
  <label class="check flex gap-2 items-center">
    <input
      type="checkbox"
      checked={importing.choices.clear ?? false}
      onchange={(e) => importing.choose({ clear: e.currentTarget.checked })}
    />
    {say.takeIn.clear}
  </label>
{/if}

<style>
  fieldset {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    align-items: center;
    border-left: 3px solid var(--ochre);
    padding-left: 16px;
  }
  legend {
    float: left;
    width: 100%;
  }
  .who {
    display: grid;
    gap: 4px;
    border-color: var(--line);
  }
</style>
