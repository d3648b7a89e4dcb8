<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';

  const client = useQueryClient();
  const practice = createQuery(() => ({ queryKey: ['practice'], queryFn: () => ask(api.GET('/api/practice')) }));
  const places = createQuery(() => ({ queryKey: ['accounts'], queryFn: () => ask(api.GET('/api/accounts')) }));
  const set = createMutation(() => ({
    mutationFn: (body: { id: string; active: boolean; detail?: string }) =>
      ask(api.POST('/api/practice/faults', { body })),
    onSuccess: (data) => client.setQueryData(['practice'], data),
  }));
  type Fault = { id: string; says: string; detail?: string };
  const connected = $derived((places.data?.accounts ?? []).filter((a) => a.kind === 'epp'));
  const faults = $derived<Fault[]>([
    { id: 'rdap-away', says: 'The public record does not answer' },
    { id: 'rdap-busy', says: 'The public record asks for a pause of 20 minutes' },
    { id: 'rdap-garbage', says: 'The public record answers something that is cut' },
    { id: 'mailbox-away', says: 'The mailbox refuses connections' },
    { id: 'outgoing-away', says: 'The server that sends letters refuses connections' },
    { id: 'outgoing-refuses', says: 'The server that sends letters knows no recipient' },
    ...connected.flatMap((a) => [
      { id: `away-${a.id}`, says: `${a.title} refuses connections` },
      { id: `cut-${a.id}`, says: `${a.title} cuts the connection before it answers` },
      { id: `half-${a.id}`, says: `${a.title} sends half a message` },
      { id: `garbage-${a.id}`, says: `${a.title} answers something that is not EPP` },
      { id: `mute-${a.id}`, says: `${a.title} takes commands and says nothing` },
      {
        id: `answer-${a.id}-transfer`,
        says: `${a.title} answers transfer commands with 2304 (a status prohibits it)`,
        detail: '2304',
      },
    ]),
    ...(places.data?.hosts ?? []).flatMap((h) => [
      { id: `no-transfer-${h.id}`, says: `${h.title} refuses zone transfers` },
      { id: `silent-${h.id}`, says: `${h.title}: the name servers are silent` },
      { id: `truncated-${h.id}`, says: `${h.title}: every answer is cut, and TCP is closed` },
    ]),
  ]);
</script>

<main class="view">
  <h1>Practice</h1>
  <p>
    Everything outside the desk is played by a practice world on this machine, over the same open protocols as the real
    ones. Move its clock on in the bar above.
    {#if practice.data?.next_event}The next event comes <When at={practice.data.next_event} />.{:else}Nothing is to
      come.{/if}
  </p>
  <h2>Counters</h2>
  <p class="muted">
    Where a person does by hand what the desk says. These pages belong to the practice world, each with its own sign-in.
  </p>
  <ul>
    {#each practice.data?.counters ?? [] as c (c.site)}
      <li>
        <a href={c.site} target="_blank" rel="noopener noreferrer">{c.title}</a>
        <span class="muted">name</span> <span class="mono">{c.login}</span>
        <span class="muted">password</span> <span class="mono">{c.password}</span>
      </li>
    {/each}
  </ul>
  <h2>Faults</h2>
  <p class="muted">Switch one on and see what the desk says and does. Nothing is lost while it lasts.</p>
  <Trouble error={practice.error ?? set.error} />
  {#if practice.data}
    <ul>
      {#each faults as fault (fault.id)}
        <li>
          <label>
            <input
              type="checkbox"
              checked={fault.id in practice.data.faults}
              onchange={(e) => set.mutate({ id: fault.id, active: e.currentTarget.checked, detail: fault.detail })}
            />
            {fault.says}
          </label>
        </li>
      {/each}
    </ul>
  {/if}
</main>

<style>
  ul {
    background: var(--sheet);
    border: 1px solid var(--line);
    border-radius: var(--radius);
  }
  li {
    padding: 0.45rem 0.8rem;
    border-bottom: 1px solid var(--line);
  }
  li:last-child {
    border-bottom: 0;
  }
  input {
    accent-color: var(--loden);
    margin-right: 0.5rem;
  }
</style>
