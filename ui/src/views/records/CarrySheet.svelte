<script lang="ts">
  import { at } from '../../lib/base';
  import { Button } from 'flowbite-svelte';
  import { createMutation } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api';
  import { aside } from '../../lib/companion';
  import { p } from '../../router';
  import May from '../../parts/May.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import Field from '../../parts/Field.svelte';
  import CarryRow from './CarryRow.svelte';
  import { say } from '../../lib/say';

  /** Every record set, now and at the new host; what would break stands on top. */
  let { records, done }: { records: Schemas['Records']; done: () => void } = $props();
  const fill = createMutation(() => ({
    mutationFn: () =>
      ask(api.POST('/api/records/{name}/fill', { params: { path: { name: records.name } } })),
    onSettled: done,
  }));
  const STEP = 60;
  let show = $state<'all' | 'open' | 'needs'>('all');
  let find = $state('');
  let most = $state(STEP);
  const rows = $derived(
    records.rows.filter(
      (r) =>
        (show === 'all' || (show === 'open' ? !r.there : r.needs)) &&
        (!find.trim() || `${r.owner} ${r.type}`.toLowerCase().includes(find.trim().toLowerCase())),
    ),
  );
  // What differs and what was decided comes first; what is as wanted stands behind it, folded.
  const differing = $derived(rows.filter((r) => !r.there || r.decision));
  const there = $derived(rows.filter((r) => r.there && !r.decision));
  const left = $derived(Math.max(differing.length - most, there.length - most));
  const choices = $derived([
    ['all', `${say.carrySheet.all} ${records.rows.length}`],
    ['open', `${say.carrySheet.open} ${records.counts.open ?? 0}`],
    ['needs', `${say.carrySheet.needs} ${records.counts.undecided ?? 0}`],
  ] as const);
</script>

{#snippet table(rows: Schemas['RecordsRow'][], label: string)}
  <div class="box" role="table" aria-label={label} aria-rowcount={rows.length + 1}>
    <div
      class="grid grid-cols-[minmax(0,4fr)_minmax(0,4fr)_minmax(0,5fr)] gap-4 p-2 text-muted
        font-semibold border-b border-b-line max-[800px]:hidden"
      role="row"
    >
      <span role="columnheader">{say.carrySheet.set}</span>
      <span role="columnheader">{say.carrySheet.old}</span>
      <span role="columnheader">{say.carrySheet.fresh}</span>
    </div>
    {#each rows.slice(0, most) as row (row.set)}
      <CarryRow {row} name={records.name} compared={records.host !== null} {done} />
    {/each}
  </div>
{/snippet}

{#if !records.rows.length}
  <p class="muted">{say.carrySheet.none}</p>
{:else}
  <p>
    {#if records.host}{say.carrySheet.summary(
        records.rows.length,
        records.counts.open ?? 0,
        records.counts.undecided ?? 0,
      )}{:else}{say.carrySheet.noHost}{/if}
    <a href={at(`/api/records/${records.name}/file?side=wanted`)} download
      >{say.carrySheet.saveWanted}</a
    >
    {#if records.host?.site}<a href={records.host.site} target="_blank" rel="noopener noreferrer"
        >{say.carrySheet.openThere}: {records.host.title}</a
      >{/if}
  </p>
  {#each records.cautions as caution (caution)}<p role="note"><b>{caution}</b></p>{/each}
  <Trouble error={fill.error} />
  {#if records.host?.connected && !records.move && (records.counts.open ?? 0) > 0}
    <May operation="fillHost"
      ><p>
        <Button color="alternative" disabled={fill.isPending} onclick={() => fill.mutate()}
          >{say.carrySheet.fill(records.host.title)}</Button
        >
      </p></May
    >
  {/if}
  {#if records.rows.some((r) => r.fields.length)}
    <p>
      <a
        href={p('/visit/records/:name', { params: { name: records.name } })}
        target="_blank"
        onclick={aside}>{say.recordVisit.open}</a
      >
    </p>
  {/if}
  <div class="flex flex-wrap items-end gap-y-2 gap-x-4 my-2 mx-0">
    <div role="group" aria-label={say.carrySheet.filter}>
      {#each choices as [key, words] (key)}
        <button
          class="border border-line py-1 px-2 cursor-pointer aria-pressed:bg-loden
              aria-pressed:text-loden-ink"
          type="button"
          aria-pressed={show === key}
          onclick={() => {
            show = key;
            most = STEP;
          }}>{words}</button
        >
      {/each}
    </div>
    <Field id="cs-find" label={say.carrySheet.find} mono bind:value={find} />
  </div>
  {#if differing.length}{@render table(differing, say.recordsSheet.parts.sheet!)}{/if}
  {#if there.length && differing.length}
    <details class="my-4 mx-0">
      <summary>{say.carrySheet.thereToo(there.length)}</summary>
      {@render table(there, say.carrySheet.there)}
    </details>
  {:else if there.length}{@render table(there, say.recordsSheet.parts.sheet!)}{/if}
  {#if !rows.length}<p class="muted">{say.carrySheet.empty}</p>{/if}
  {#if left > 0}
    <p>
      <Button size="sm" color="alternative" onclick={() => (most += STEP * 2)}
        >{say.carrySheet.more(Math.min(STEP * 2, left))}</Button
      >
    </p>
  {/if}
{/if}
