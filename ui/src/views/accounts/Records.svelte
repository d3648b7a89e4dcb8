<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import type { Schemas } from '../../lib/api';
  import { say } from '../../lib/say';
  import Field from '../../parts/Field.svelte';
  import When from '../../parts/When.svelte';
  import MapSetting from './MapSetting.svelte';

  /**
   * Where the public record, name servers and registries are asked; and the rates to look at prices
   * with.
   */
  let {
    settings,
    set,
  }: {
    settings: Schemas['Settings'];
    set: (key: string, value: Record<string, string | number | boolean> | null) => void;
  } = $props();
  let url = $state('');
  const rates = $derived(settings.rates as Record<string, string> | null);
  let to = $state('EUR');
  let date = $state('');
  let currency = $state('');
  let rate = $state('');
  function keepUrl(e: SubmitEvent) {
    e.preventDefault();
    set('bootstrap', { url: url || settings.bootstrap.url || say.places.rfcAddress });
  }
  function keepRate(e: SubmitEvent) {
    e.preventDefault();
    set('rates', { ...rates, to: rates?.to ?? to, date, [currency]: rate.replace(',', '.') });
    currency = rate = '';
  }
  let region = $state('');
</script>

<h3>{say.places.listOfServices}</h3>
<p class="muted">
  {#if settings.bootstrap.url}
    {say.places.listFetched(settings.bootstrap.url)}
    {#if settings.bootstrap.fetched_at}<When at={settings.bootstrap.fetched_at} />, {say.places.suffixesKnown(
        settings.bootstrap.suffixes,
      )}{/if}
    <button class="link" onclick={() => set('bootstrap', null)}>{say.places.switchOff}</button>
  {:else}{say.places.listMissing}{/if}
</p>
<form onsubmit={keepUrl}>
  <Field
    id="b-url"
    label={say.places.listAddress}
    mono
    placeholder={say.places.rfcAddress}
    bind:value={url}
  />
  <div><Button type="submit" color="alternative">{say.places.fetchIt}</Button></div>
</form>
<MapSetting
  id="r"
  title={say.places.publicRecordsTitle}
  held={settings.rdap_bases as Record<string, string>}
  name={say.places.suffix}
  place={say.places.recordUrl}
  prefix="."
  keep={(rows) => set('rdap_bases', rows)}
/>
<MapSetting
  id="d"
  title={say.places.nameServersAt}
  held={settings.dns_servers as Record<string, string>}
  name={say.places.serverField}
  place={say.places.hostAndPort}
  keep={(rows) => set('dns_servers', rows)}
/>
<MapSetting
  id="p"
  title={say.places.parents}
  held={settings.dns_parents as Record<string, string>}
  name={say.places.suffix}
  place={say.places.nameServerOfTheRegistry}
  prefix="."
  keep={(rows) => set('dns_parents', rows)}
/>
<MapSetting
  id="g"
  title={say.places.registriesWrite}
  held={Object.fromEntries(settings.registries.map((r) => [r, 'yes']))}
  name={say.places.mailDomainField}
  keep={(rows) => set('registries', rows)}
/>
<h3>{say.places.rates}</h3>
{#if rates}
  <p class="muted">
    {say.places.ratesOf(rates.to ?? '', rates.date ?? '')}
    {#each Object.entries(rates).filter(([k]) => k.length === 3) as [c, r] (c)}{say.places.oneIs(
        c,
        r,
        rates.to ?? '',
      )}
    {/each}
    <button class="link" onclick={() => set('rates', null)}>{say.places.takeOut}</button>
  </p>
{/if}
<form onsubmit={keepRate}>
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
<h3>{say.places.holidays}</h3>
<p>
  {#if settings.holidays}<span class="mono">{settings.holidays}</span>
    <button class="link" onclick={() => set('holidays', null)}>{say.places.takeOut}</button>
  {:else}<span class="muted">{say.places.noHolidays}</span>{/if}
</p>
<form
  onsubmit={(e) => {
    e.preventDefault();
    set('holidays', { region: region.trim().toLowerCase() });
  }}
>
  <Field id="x-region" label={say.places.region} mono required maxlength={12} bind:value={region} />
  <div><Button type="submit" color="alternative">{say.places.keepRegion}</Button></div>
</form>

<style>
  h3 {
    margin-top: 8px;
    font-weight: 600;
  }
</style>
