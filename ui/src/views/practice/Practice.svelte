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
      <li
        class="flex flex-wrap justify-between gap-y-1 gap-x-4 py-2 px-4 border-b border-b-line
          last:border-b-0"
      >
        {says}
        <button
          class="text-loden cursor-pointer disabled:opacity-60 disabled:cursor-default"
          disabled={!may('letHappen') || happen.isPending}
          onclick={() => happen.mutate(id)}>{say.practice.letHappen}</button
        >
      </li>
    {/each}
  </ul>
  <h2>{say.practice.faults}</h2>
  <p class="muted">{say.practice.faultsIntro}</p>
  <Trouble error={practice.error ?? set.error} />
  {#if practice.data}
    <ul class="box grid grid-cols-[repeat(auto-fill,minmax(min(26rem,100%),1fr))]">
      {#each faults as fault (fault.id)}
        <li class="py-2 px-4 border-b border-b-line last:border-b-0">
          <label>
            <input
              class="accent-loden mr-2"
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
