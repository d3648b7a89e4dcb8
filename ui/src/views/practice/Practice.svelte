<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import Head from '../../parts/Head.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';
  import { may } from '../../lib/session.svelte';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';

  const client = useQueryClient();
  const practice = createQuery(() => ({
    queryKey: ['practice'],
    queryFn: () => ask(api.GET('/api/practice')),
  }));
  const set = createMutation(() => ({
    mutationFn: (body: { id: string; active: boolean; detail?: string }) =>
      ask(api.POST('/api/practice/faults', { body })),
    onSuccess: (data) => client.setQueryData(['practice'], data),
  }));
  const happen = createMutation(() => ({
    mutationFn: (id: 'stranger' | 'forgery' | 'offer') =>
      ask(api.POST('/api/practice/happenings', { body: { id } })),
    onSuccess: () => refresh(client),
  }));
  const happenings = [
    ['stranger', say.practice.aStranger],
    ['forgery', say.practice.aForgery],
    ['offer', say.practice.anOffer],
  ] as const;
  const faults = $derived(practice.data?.offered ?? []);
</script>

<main class="view">
  <Head title={say.practice.practice} answer={say.practice.head} />
  <p>
    {say.practice.worldIntro}
    {#if practice.data?.next_event}{say.practice.upcoming}
      <When at={practice.data.next_event} />.{:else}{say.practice.nothingAhead}{/if}
  </p>
  <h2>{say.practice.counters}</h2>
  <p class="muted">
    {say.practice.pagesIntro}
  </p>
  <table class="rows">
    <thead>
      <tr>
        <th scope="col">{say.practice.counter}</th>
        <th scope="col">{say.practice.name}</th>
        <th scope="col">{say.practice.password}</th>
      </tr>
    </thead>
    <tbody>
      {#each practice.data?.counters ?? [] as c (c.site)}
        <tr>
          <th scope="row"
            ><a href={c.site} target="_blank" rel="noopener noreferrer">{c.title}</a></th
          >
          <td class="mono">{c.login}</td>
          <td class="mono">{c.password}</td>
        </tr>
      {/each}
    </tbody>
  </table>
  <h2>{say.practice.happenings}</h2>
  <p class="muted">{say.practice.letItHappen}</p>
  <Trouble error={happen.error} />
  <ul class="box">
    {#each happenings as [id, says] (id)}
      <li class="happening">
        {says}
        <button disabled={!may('letHappen') || happen.isPending} onclick={() => happen.mutate(id)}
          >{say.practice.letHappen}</button
        >
      </li>
    {/each}
  </ul>
  <h2>{say.practice.faults}</h2>
  <p class="muted">{say.practice.faultsIntro}</p>
  <Trouble error={practice.error ?? set.error} />
  {#if practice.data}
    <ul class="box faults">
      {#each faults as fault (fault.id)}
        <li>
          <label>
            <input
              type="checkbox"
              checked={fault.id in practice.data.faults}
              disabled={!may('setFault')}
              onchange={(e) =>
                set.mutate({
                  id: fault.id,
                  active: e.currentTarget.checked,
                  ...(fault.detail ? { detail: fault.detail } : {}),
                })}
            />
            {fault.says}
          </label>
        </li>
      {/each}
    </ul>
  {/if}
</main>

<style>
  li {
    padding: 8px 16px;
    border-bottom: 1px solid var(--line);
  }
  li:last-child {
    border-bottom: 0;
  }
  .faults {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(26rem, 100%), 1fr));
  }
  .happening {
    display: flex;
    flex-wrap: wrap;
    justify-content: space-between;
    gap: 4px 16px;
  }
  button {
    color: var(--loden);
    cursor: pointer;
  }
  button:disabled {
    opacity: 0.6;
    cursor: default;
  }
  input {
    accent-color: var(--loden);
    margin-right: 8px;
  }
</style>
