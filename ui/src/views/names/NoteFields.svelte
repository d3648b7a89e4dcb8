<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { searchParams } from 'sv-router';
  import { api, ask } from '../../lib/api';
  import DateField from '../../parts/DateField.svelte';
  import { say } from '../../lib/say';

  /** What may be noted of a name, and its value; noted: as in the contract, once it is whole. */
  let {
    noted = $bindable(),
  }: { noted: { key: string; value: string | boolean | string[] } | undefined } = $props();
  const kinds = createQuery(() => ({
    queryKey: ['note-kinds'],
    queryFn: () => ask(api.GET('/api/note-kinds')),
    staleTime: Infinity,
  }));
  const KINDS = $derived(kinds.data?.kinds ?? []);
  // A link may say which.
  let key = $state(String(searchParams.get('note') ?? 'paid'));
  let value = $state('');
  const chosen = $derived(KINDS.find((k) => k.key === key));
  const kind = $derived(chosen?.kind ?? 'flag');
  const values = $derived(kind === 'flag' ? ['yes', 'no'] : (chosen?.of ?? []));
  const listed = (text: string) =>
    text
      .split(',')
      .map((v) => v.trim())
      .filter(Boolean);
  const given = $derived(
    kind === 'flag' ? value === 'yes' : kind === 'list' ? listed(value) : value,
  );
  $effect(() => {
    noted = value.trim() ? { key, value: given } : undefined;
  });
  /** Once it is kept, there is room for the next. */
  export const clear = () => (value = '');
</script>

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
  <DateField label={say.notes.itsValue} bind:value required />
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
