<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask, type NameSheet } from '../../lib/api';
  import Sentence from '../../parts/Sentence.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import May from '../../parts/May.svelte';
  import { worded } from '../../lib/facts';
  import { say } from '../../lib/say';

  /** What a person knows and no connection tells. */
  let { sheet, queryKey }: { sheet: NameSheet; queryKey: unknown[] } = $props();
  const client = useQueryClient();
  const kinds = createQuery(() => ({
    queryKey: ['note-kinds'],
    queryFn: () => ask(api.GET('/api/note-kinds')),
    staleTime: Infinity,
  }));
  const KINDS = $derived(kinds.data?.kinds ?? []);
  let key = $state('paid');
  let value = $state('');
  const chosen = $derived(KINDS.find((k) => k.key === key));
  const kind = $derived(chosen?.kind ?? 'flag');
  const values = $derived(kind === 'flag' ? ['yes', 'no'] : (chosen?.of ?? []));
  const noted = $derived(sheet.facts.filter((f) => f.source === 'hand'));
  const note = createMutation(() => ({
    mutationFn: (body: { key: string; value: string | boolean | string[] | null }) =>
      ask(api.POST('/api/names/{name}/note', { params: { path: { name: sheet.name } }, body })),
    onSuccess: () => {
      value = '';
      void client.invalidateQueries({ queryKey });
      void client.invalidateQueries({ queryKey: ['names'] });
    },
  }));

  function submit(e: SubmitEvent) {
    e.preventDefault();
    const given =
      kind === 'flag'
        ? value === 'yes'
        : kind === 'list'
          ? value
              .split(',')
              .map((v) => v.trim())
              .filter(Boolean)
          : value;
    note.mutate({ key, value: given });
  }
</script>

<May operation="note"
  ><form class="inline" onsubmit={submit}>
    <select
      class="plain"
      aria-label={say.notes.notesField}
      bind:value={key}
      onchange={() => (value = '')}
    >
      {#each KINDS as k (k.key)}<option value={k.key}>{k.title}</option>{/each}
    </select>
    {#if kind === 'flag' || kind === 'choice'}
      <select class="plain" aria-label={say.notes.itsValue} bind:value required>
        <option value="">{say.notes.choose}</option>
        {#each values as v (v)}<option>{v}</option>{/each}
      </select>
    {:else if kind === 'date'}
      <input class="plain" type="date" aria-label={say.notes.itsValue} bind:value required />
    {:else}
      <input
        class="plain"
        aria-label={say.notes.itsValue}
        placeholder={kind === 'list' ? say.notes.partedByCommas : ''}
        bind:value
        required
        maxlength="300"
      />
    {/if}
    <Button type="submit" color="alternative" size="sm" disabled={note.isPending}
      >{say.notes.noteIt}</Button
    >
  </form></May
>
<Trouble error={note.error} />
{#each noted as fact (fact.key)}
  <p>
    {KINDS.find((k) => k.key === fact.key)?.title ?? fact.key}:
    <strong><Sentence text={worded(fact.value)} /></strong>
    <span class="muted">({fact.ref})</span>
    <May operation="note"
      ><button class="link" onclick={() => note.mutate({ key: fact.key, value: null })}
        >{say.notes.takeBack}</button
      ></May
    >
  </p>
{/each}
