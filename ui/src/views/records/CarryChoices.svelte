<script lang="ts">
  import { createMutation, createQuery } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import { may } from '../../lib/session.svelte';
  import { p } from '../../router';
  import Choice from '../../parts/Choice.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { say } from '../../lib/say';

  /** Where the records go: what each way would mean here, and which one the desk advises. */
  let { records, done }: { records: Schemas['Records']; done: () => void } = $props();
  const places = createQuery(() => ({
    queryKey: ['accounts'],
    queryFn: () => ask(api.GET('/api/accounts')),
  }));
  const hosts = $derived(
    (places.data?.hosts ?? []).filter((h) => h.id !== records.present.host?.id),
  );
  const chosen = $derived(records.carry?.choice);
  const host = $derived(records.host?.id ?? '');
  const choose = createMutation(() => ({
    mutationFn: (body: Schemas['CarryChoice']) =>
      ask(
        api.POST('/api/records/{name}/carry', { params: { path: { name: records.name } }, body }),
      ),
    onSuccess: done,
  }));
  const plan = $derived(
    `${p('/names/:name/plan', { params: { name: records.name } })}?host=${encodeURIComponent(
      chosen === 'keep' || chosen === 'stay' || chosen === 'later' ? '' : host,
    )}&choice=${chosen ?? ''}`,
  );
  const handover = $derived(
    `${p('/records/:name/plan', { params: { name: records.name } })}?` +
      new URLSearchParams({ host }).toString(),
  );
</script>

<Trouble error={choose.error ?? places.error} />
<ul class="grid gap-2 grid-cols-[repeat(auto-fill,minmax(17rem,1fr))]">
  {#each records.choices as c (c.id)}
    <li
      class="box py-2 px-4 grid gap-1 content-start"
      class:chosen={c.id === chosen}
      class:advice={c.recommended}
    >
      <div class="flex flex-wrap items-center gap-y-2 gap-x-4">
        <strong>{c.title}</strong>
        {#if c.recommended}<span class="text-loden text-note">{say.carryChoices.recommended}</span
          >{/if}
        {#if c.id === chosen}<span class="text-loden text-note font-semibold"
            >{say.carryChoices.chosen}</span
          >
        {:else if may('chooseCarry') && !records.move}
          <Button
            size="xs"
            color="alternative"
            aria-label="{say.carryChoices.take}: {c.title}"
            disabled={!c.open || choose.isPending}
            onclick={() => choose.mutate({ choice: c.id, host_id: host || null })}
            >{say.carryChoices.take}</Button
          >
        {/if}
      </div>
      {#if c.because}<p>{c.because}</p>{/if}
      <p class="muted">{c.means.join(' ')}</p>
      {#if !c.open}<p class="muted">{say.carryChoices.cant}</p>{/if}
    </li>
  {/each}
</ul>
{#if !records.move}
  <div class="flex flex-wrap gap-y-2 gap-x-4 items-end mt-2">
    {#if hosts.length}
      <Choice
        id="c-host"
        label={say.carryChoices.host}
        of={[['', say.carryChoices.noHost], ...hosts.map((h) => [h.id, h.title] as const)]}
        bind:value={
          () => host, (v) => choose.mutate({ host_id: v || null, choice: chosen as 'carry' | null })
        }
      />
    {:else}<a href={p('/accounts')}>{say.carryChoices.addHost}</a>{/if}
    {#if chosen && chosen !== 'dns_only' && may('startMove')}
      <Button color="alternative" href={plan}>{say.carryChoices.plan}</Button>
    {/if}
    {#if chosen === 'dns_only' && host}
      <Button color="alternative" href={handover}>{say.carryChoices.alone}</Button>
    {/if}
  </div>
{/if}

<style>
  .advice {
    border-left: 4px solid var(--loden);
  }
  .chosen {
    background: var(--loden-soft);
  }
</style>
