<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { may } from '../../lib/session.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import HostForm from './HostForm.svelte';
  import { say } from '../../lib/say';

  const places = createQuery(() => ({
    queryKey: ['accounts'],
    queryFn: () => ask(api.GET('/api/accounts')),
  }));
  const admin = $derived(may('addHost'));
  const hosts = $derived(places.data?.hosts ?? []);
  let adding = $state(false);
  let changing = $state<string | null>(null);
  const holder = (id: string | null) => places.data?.accounts.find((a) => a.id === id)?.title ?? id;
</script>

<h1 class="answer">{say.accounts.hostsHead(hosts.length)}</h1>
<Trouble error={places.error} />
{#if places.data}
  <section>
    {#if hosts.length}
      <table class="rows">
        <tbody>
          {#each hosts as h (h.id)}
            <tr>
              <th scope="row">{h.title}</th>
              <td class="mono muted"
                >{#each h.name_servers as server (server)}<div>{server}</div>{/each}</td
              >
              <td>{h.ends_with ? say.accounts.serviceEnds(holder(h.ends_with)) : ''}</td>
              <td>{h.has_key ? say.accounts.withKey : say.accounts.byHand}</td>
              <td class="act"
                >{#if admin && changing !== h.id}<button
                    onclick={() => (changing = h.id)}
                    aria-label={say.accounts.change(h.title)}>{say.accounts.changeIt}</button
                  >{/if}</td
              >
            </tr>
            {#if changing === h.id}
              <tr class="under"
                ><td colspan="5"
                  ><HostForm
                    accounts={places.data.accounts}
                    held={h}
                    done={() => (changing = null)}
                  /></td
                ></tr
              >
            {/if}
          {/each}
        </tbody>
      </table>
    {:else}<p class="empty">{say.accounts.emptyHosts}</p>{/if}
    {#if admin && !adding}<button onclick={() => (adding = true)}>{say.accounts.addHost}</button
      >{/if}
    {#if adding}<HostForm accounts={places.data.accounts} done={() => (adding = false)} />{/if}
  </section>
{/if}
