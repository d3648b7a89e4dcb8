<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { may } from '../../lib/session.svelte';
  import { money } from '../../lib/words';
  import Together from '../../parts/Together.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import AccountChange from './AccountChange.svelte';
  import AccountForm from './AccountForm.svelte';
  import HostForm from './HostForm.svelte';
  import People from './People.svelte';
  import { accountForm } from './form';
  import Webhooks from './Webhooks.svelte';
  import Places from './Places.svelte';
  import { say } from '../../lib/say';

  const places = createQuery(() => ({
    queryKey: ['accounts'],
    queryFn: () => ask(api.GET('/api/accounts')),
  }));
  const form = createQuery(accountForm);
  const ways = $derived((form.data?.habits ?? []).filter((h) => h.section === 'ways'));
  const admin = $derived(may('addAccount'));
  let adding = $state<'account' | 'host' | null>(null);
  let changing = $state<string | null>(null);
  // What goes another way than over the connection or on the account’s pages.
  function byHand(a: { ways: Record<string, string>; privacy_service?: string | null }): string[] {
    if (ways.length && ways.every((h) => a.ways[h.path.at(-1) ?? ''] === 'letter'))
      return [say.accounts.viaSupport];
    return ways.flatMap(({ path, label, of }) => {
      const way = a.ways[path.at(-1) ?? ''];
      if (!way || way === 'connection' || way === 'page') return [];
      const words =
        way === 'service'
          ? say.accounts.at2(a.privacy_service ?? say.accounts.apart)
          : of.find(([w]) => w === way)?.[1];
      return [`${label.toLowerCase()} ${words}`];
    });
  }
  const holder = (id: string | null) => places.data?.accounts.find((a) => a.id === id)?.title ?? id;
</script>

{#snippet change(what: string, title: string)}
  {#if admin && changing !== what}
    <button onclick={() => (changing = what)} aria-label={say.accounts.change(title)}
      >{say.accounts.changeIt}</button
    >
  {/if}
{/snippet}

<main class="sections">
  <h1>{say.accounts.accounts}</h1>
  <Trouble error={places.error} />
  {#if places.data}
    <section>
      <h2>{say.accounts.registrars}</h2>
      {#if places.data.accounts.length}
        <table class="rows">
          <thead>
            <tr>
              <th scope="col">{say.accounts.registrar}</th>
              <th scope="col">{say.accounts.connected}</th>
              <th scope="col">{say.accounts.support}</th>
              <th scope="col" class="num">{say.accounts.aYear}</th>
              <td></td>
            </tr>
          </thead>
          <tbody>
            {#each places.data.accounts as a (a.id)}
              <tr>
                <th scope="row"
                  >{#if a.site}<a href={a.site} target="_blank" rel="noopener noreferrer"
                      >{a.title}</a
                    >{:else}{a.title}{/if}</th
                >
                <td
                  >{#if a.kind === 'epp'}{say.accounts.byEpp}
                    <span class="mono muted"
                      >{say.accounts.at(
                        a.connection.client,
                        a.connection.host,
                        a.connection.port,
                      )}</span
                    >{:else}{say.accounts.byHand}{/if}</td
                >
                <td class="mono muted">{a.support ?? ''}</td>
                <td class="num"
                  >{typeof a.prices.renew === 'number' && a.prices.currency
                    ? money({ minor: a.prices.renew, currency: a.prices.currency })
                    : say.accounts.priceNotKnown}</td
                >
                <td class="act">{@render change(`account ${a.id}`, a.title)}</td>
              </tr>
              {#if byHand(a).length}
                <tr class="under"><td colspan="5" class="muted">{byHand(a).join(', ')}</td></tr>
              {/if}
              {#if changing === `account ${a.id}`}
                <tr class="under"
                  ><td colspan="5"><AccountChange id={a.id} done={() => (changing = null)} /></td
                  ></tr
                >
              {/if}
            {/each}
          </tbody>
        </table>
      {:else}<p class="empty">{say.accounts.emptyAccounts}</p>{/if}
      {#if admin && adding !== 'account'}<button onclick={() => (adding = 'account')}
          >{say.accounts.addAccount}</button
        >{/if}
      {#if adding === 'account' && form.data}<AccountForm
          habits={form.data.habits}
          done={() => (adding = null)}
        />{/if}
    </section>
    <section>
      <h2>{say.accounts.dnsHosts}</h2>
      {#if places.data.hosts.length}
        <table class="rows">
          <tbody>
            {#each places.data.hosts as h (h.id)}
              <tr>
                <th scope="row">{h.title}</th>
                <td class="mono muted"
                  >{#each h.name_servers as server (server)}<div>{server}</div>{/each}</td
                >
                <td>{h.ends_with ? say.accounts.serviceEnds(holder(h.ends_with)) : ''}</td>
                <td class="act">{@render change(`host ${h.id}`, h.title)}</td>
              </tr>
              {#if changing === `host ${h.id}`}
                <tr class="under"
                  ><td colspan="4"
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
      {#if admin && adding !== 'host'}<button onclick={() => (adding = 'host')}
          >{say.accounts.addHost}</button
        >{/if}
      {#if adding === 'host'}<HostForm
          accounts={places.data.accounts}
          done={() => (adding = null)}
        />{/if}
    </section>
  {/if}
  {#if admin && places.data}
    <Together>
      <Places />
      <People />
      <Webhooks />
    </Together>
  {/if}
</main>

<style>
  main :global(section > button) {
    border: 1px solid var(--loden);
    color: var(--loden);
    border-radius: var(--radius);
    padding: 4px 8px;
    cursor: pointer;
  }
  main :global(form) {
    background: var(--sheet);
    border: 1px solid var(--line);
    border-radius: var(--radius);
    padding: 16px;
    width: 100%;
    max-width: 44rem;
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(13rem, 1fr));
    gap: 8px;
    align-items: end;
  }
</style>
