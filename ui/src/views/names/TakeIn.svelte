<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button, Label, Select, Textarea } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import Sheet from '../../parts/Sheet.svelte';
  import Trouble from '../../parts/Trouble.svelte';

  const client = useQueryClient();
  const places = createQuery(() => ({ queryKey: ['accounts'], queryFn: () => ask(api.GET('/api/accounts')) }));
  let text = $state('');
  let chosen = $state('');
  const account = $derived(chosen || places.data?.accounts[0]?.id || '');
  const FATES = { taken: 'Taken in', known: 'Already there', refused: 'Refused' };
  const take = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/names', { body: { account, text } })),
    onSuccess: () => client.invalidateQueries({ queryKey: ['names'] }),
  }));

  function submit(e: SubmitEvent) {
    e.preventDefault();
    take.mutate();
  }
</script>

<Sheet title="Take names in" back="/names">
  <p class="muted">
    Each name is looked up in the account and in the public record. URLs, hosts and upper case are understood.
  </p>
  <form onsubmit={submit}>
    <Label for="account">Account that holds them</Label>
    <Select
      id="account"
      placeholder=""
      items={(places.data?.accounts ?? []).map((a) => ({ value: a.id, name: a.title }))}
      value={account}
      onchange={(e: Event) => (chosen = (e.currentTarget as HTMLSelectElement).value)}
    />
    <Label for="text">Names</Label>
    <Textarea id="text" rows={6} class="w-full" bind:value={text} required />
    <div><Button type="submit" disabled={take.isPending || !account}>Take them in</Button></div>
  </form>
  <Trouble error={take.error ?? places.error} />
  {#if take.data}
    <table aria-label="What became of each line">
      <tbody>
        {#each take.data.lines as line, i (i)}
          <tr class={line.fate}>
            <td class="mono">{line.typed}</td>
            <td><strong>{FATES[line.fate]}</strong></td>
            <td>{line.says ?? ''}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
</Sheet>

<style>
  form {
    display: grid;
    gap: 0.5rem;
    margin: 0.8rem 0;
  }
  table {
    width: 100%;
  }
  td {
    padding: 0.35rem 0.8rem 0.35rem 0;
    border-top: 1px solid var(--line);
    vertical-align: top;
    overflow-wrap: anywhere;
  }
  .refused strong {
    color: var(--madder);
  }
</style>
