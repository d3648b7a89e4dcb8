<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { say } from '../../lib/say';
  import Field from '../../parts/Field.svelte';

  /** Rates that somebody typed in, to show prices in one currency. */
  let {
    rates,
    set,
  }: {
    rates: Record<string, string> | null;
    set: (value: Record<string, string> | null) => void;
  } = $props();
  let to = $state('EUR');
  let date = $state('');
  let currency = $state('');
  let rate = $state('');
  const known = $derived(Object.entries(rates ?? {}).filter(([k]) => k.length === 3));
  function submit(e: SubmitEvent) {
    e.preventDefault();
    set({ ...rates, to: rates?.to ?? to, date, [currency]: rate.replace(',', '.') });
    currency = rate = '';
  }
</script>

{#if rates}
  <p class="muted">
    {#each known as [c, r] (c)}{say.places.oneIs(c, r, rates.to ?? '')}
    {/each}
    <button class="link" onclick={() => set(null)}>{say.places.takeOut}</button>
  </p>
{/if}
<form onsubmit={submit}>
  {#if !rates}<Field
      id="x-to"
      label={say.places.lookedAtIn}
      pattern={'[A-Z]{3}'}
      required
      bind:value={to}
    />{/if}
  <Field
    id="x-cur"
    label={say.places.currency}
    pattern={'[A-Z]{3}'}
    required
    bind:value={currency}
  />
  <Field
    id="x-rate"
    label={say.places.mailDomainExample}
    inputmode="decimal"
    required
    bind:value={rate}
  />
  <Field id="x-date" label={say.places.rateOf} type="date" required bind:value={date} />
  <div><Button type="submit" color="alternative">{say.places.keepRate}</Button></div>
</form>
