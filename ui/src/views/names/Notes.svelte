<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask, type NameSheet } from '../../lib/api';
  import Trouble from '../../parts/Trouble.svelte';

  /** What a person knows and no connection tells. */
  let { sheet, queryKey }: { sheet: NameSheet; queryKey: unknown[] } = $props();
  const client = useQueryClient();
  type Kind = { key: string; title: string; kind: 'flag' | 'text' | 'list' | 'date' | string[] };
  const KINDS: Kind[] = [
    { key: 'paid', title: 'The last period is paid', kind: 'flag' },
    { key: 'privacy', title: 'A privacy service stands in', kind: 'flag' },
    { key: 'registrant_email', title: 'The registrant’s e-mail', kind: 'text' },
    { key: 'admin_email', title: 'The administrative contact’s e-mail', kind: 'text' },
    { key: 'mailbox', title: 'The registrant’s mailbox is', kind: ['proven', 'unproven', 'bounced', 'unread'] },
    { key: 'registrant_changed_at', title: 'The registrant was last changed on', kind: 'date' },
    { key: 'change_opted_out', title: 'The holder opted out of the block', kind: 'flag' },
    { key: 'expires_at', title: 'It expires on', kind: 'date' },
    { key: 'dispute', title: 'A dispute over it', kind: 'text' },
    { key: 'tied_services', title: 'Services of the account that hang on it', kind: 'list' },
    { key: 'premium', title: 'The registry asks its own price', kind: 'flag' },
    { key: 'presence_proven', title: 'The papers are there', kind: 'flag' },
    { key: 'code_by_mail', title: 'The code comes by mail', kind: 'flag' },
  ];
  let key = $state('paid');
  let value = $state('');
  const kind = $derived(KINDS.find((k) => k.key === key)!.kind);
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

<form onsubmit={submit}>
  <select class="plain" aria-label="What is noted" bind:value={key} onchange={() => (value = '')}>
    {#each KINDS as k (k.key)}<option value={k.key}>{k.title}</option>{/each}
  </select>
  {#if kind === 'flag' || Array.isArray(kind)}
    <select class="plain" aria-label="Its value" bind:value required>
      <option value="">choose</option>
      {#each kind === 'flag' ? ['yes', 'no'] : kind as v (v)}<option>{v}</option>{/each}
    </select>
  {:else if kind === 'date'}
    <input class="plain" type="date" aria-label="Its value" bind:value required />
  {:else}
    <input
      class="plain"
      aria-label="Its value"
      placeholder={kind === 'list' ? 'parted by commas' : ''}
      bind:value
      required
      maxlength="300"
    />
  {/if}
  <Button type="submit" color="alternative" size="sm" disabled={note.isPending}>Note it</Button>
</form>
<Trouble error={note.error} />
{#each noted as fact (fact.key)}
  <p>
    {KINDS.find((k) => k.key === fact.key)?.title ?? fact.key}:
    <strong
      >{fact.value === true
        ? 'yes'
        : fact.value === false
          ? 'no'
          : Array.isArray(fact.value)
            ? fact.value.join(', ')
            : String(fact.value)}</strong
    >
    <span class="muted">({fact.ref})</span>
    <button onclick={() => note.mutate({ key: fact.key, value: null })}>Take back</button>
  </p>
{/each}

<style>
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    align-items: center;
    margin-bottom: 0.4rem;
  }
  button {
    color: var(--loden);
    text-decoration: underline;
    cursor: pointer;
  }
</style>
