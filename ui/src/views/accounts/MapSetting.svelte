<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { say } from '../../lib/say';
  import Field from '../../parts/Field.svelte';

  /**
   * A list of names with a place each (or, without `place`, of names alone): seen, added, taken
   * out.
   */
  let {
    id,
    held,
    name,
    place,
    prefix = '',
    keep,
  }: {
    id: string;
    held: Record<string, string>;
    name: string;
    place?: string;
    prefix?: string;
    keep: (rows: Record<string, string>) => void;
  } = $props();
  const SHOWN = 12;
  let key = $state('');
  let value = $state('');
  const rows = $derived(Object.entries(held));
  function submit(e: SubmitEvent) {
    e.preventDefault();
    keep({ ...held, [key.trim().replace(/^\./, '')]: place ? value.trim() : 'yes' });
    key = value = '';
  }
  const drop = (which: string) => keep(Object.fromEntries(rows.filter(([k]) => k !== which)));
</script>

<ul>
  {#each rows.slice(0, SHOWN) as [k, v] (k)}
    <li>
      <strong>{prefix}{k}</strong>
      {#if place}<span class="mono muted">{v}</span>{/if}
      <button class="link" onclick={() => drop(k)} aria-label={say.places.takeOutOf(k)}
        >{say.places.takeOut}</button
      >
    </li>
  {:else}<li class="muted">{say.places.historyEmpty}</li>{/each}
  {#if rows.length > SHOWN}<li class="muted">{say.places.andMore(rows.length - SHOWN)}</li>{/if}
</ul>
<form onsubmit={submit}>
  <Field id="{id}-name" label={name} mono required bind:value={key} />
  {#if place}<Field id="{id}-place" label={place} mono required bind:value />{/if}
  <div><Button type="submit" color="alternative">{say.places.addIt}</Button></div>
</form>

<style>
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 0 16px;
    align-items: baseline;
    overflow-wrap: anywhere;
  }
</style>
