<script lang="ts">
  import type { Snippet } from 'svelte';
  import { createQuery } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import { kept } from '../../lib/list';
  import { picked } from '../../lib/tray.svelte';
  import { isActive, navigate, p } from '../../router';
  import Field from '../../parts/Field.svelte';
  import ListBesideSheet from '../../parts/ListBesideSheet.svelte';
  import Head from '../../parts/Head.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import DnsMove from './DnsMove.svelte';
  import { say } from '../../lib/say';

  let { children }: { children: Snippet } = $props();
  // Of the names in the tray alone, where somebody wants so.
  let ofTray = $state(false);
  const names = $derived(ofTray && picked().length ? picked().join(',') : undefined);
  const list = createQuery(() => ({
    queryKey: ['records', { names }],
    queryFn: () => ask(api.GET('/api/records', { params: { query: { names } } })),
  }));
  const open = $derived(!isActive('/records'));
  let typed = $state('');

  function go(e: SubmitEvent) {
    e.preventDefault();
    if (typed.trim())
      void navigate('/records/:name', { params: { name: typed.trim().toLowerCase() } });
  }
  const deciding = $derived(
    list.data?.names.filter((n) => ['choose', 'decide'].includes(n.state)).length ?? 0,
  );
  const equal = (servers: Record<string, number>) => (servers.new ?? 0) + (servers.both ?? 0);
  const agreeing = (servers: Record<string, number>) => {
    const all = Object.values(servers).reduce((a, b) => a + b, 0);
    return all ? say.records.equalOf(equal(servers), all) : '–';
  };
</script>

<ListBesideSheet {open} alone sheet={children}>
  {#snippet listed()}
    <Head title={say.records.records} answer={list.data ? say.records.head(deciding) : undefined} />
    <form class="flex flex-wrap items-end gap-2 mb-4" onsubmit={go}>
      <Field id="r-name" label={say.records.typeAName} mono bind:value={typed} />
      <Button type="submit" color="alternative">{say.records.open}</Button>
    </form>
    <Trouble error={list.error} />
    {#if picked().length}
      <p>
        <label
          ><input type="checkbox" bind:checked={ofTray} />
          {say.records.ofTray(picked().length)}</label
        >
      </p>
    {/if}
    {#if list.data?.names.length}
      <table class="rows">
        <thead>
          <tr>
            <th scope="col">{say.records.name}</th>
            <th scope="col">{say.records.state}</th>
            <th scope="col" class="max-[800px]:hidden">{say.records.present}</th>
            <th scope="col" class="max-[800px]:hidden">{say.records.next}</th>
            <th scope="col" class="max-[800px]:hidden">{say.records.copy}</th>
            <th scope="col" class="max-[800px]:hidden">{say.records.servers}</th>
          </tr>
        </thead>
        <tbody>
          {#each list.data.names as n (n.name)}
            <tr>
              <td
                ><a
                  class="mono wrap-anywhere"
                  data-row
                  href={p('/records/:name', { params: { name: n.name } }) + kept()}>{n.unicode}</a
                ></td
              >
              <td class:font-semibold={n.state === 'decide'}>{say.records.states[n.state]}</td>
              <td class="max-[800px]:hidden">{n.present ?? say.records.notKnown}</td>
              <td class="max-[800px]:hidden">{n.new_host ?? '–'}</td>
              <td class="max-[800px]:hidden">{n.copy ? say.records.sets(n.copy.sets) : '–'}</td>
              <td class="num max-[800px]:hidden">{agreeing(n.servers)}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    {:else if list.data}<p class="muted">{say.records.none}</p>{/if}
    {#if picked().length}<DnsMove names={picked()} />{/if}
  {/snippet}
</ListBesideSheet>
