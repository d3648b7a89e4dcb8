<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { may } from '../../lib/session.svelte';
  import { money } from '../../lib/words';
  import Trouble from '../../parts/Trouble.svelte';
  import AccountChange from './AccountChange.svelte';
  import AccountForm from './AccountForm.svelte';
  import HostForm from './HostForm.svelte';
  import People from './People.svelte';
  import { WAYS } from './fields';
  import Webhooks from './Webhooks.svelte';
  import Places from './Places.svelte';
  import { say } from '../../lib/say';

  const places = createQuery(() => ({ queryKey: ['accounts'], queryFn: () => ask(api.GET('/api/accounts')) }));
  const admin = $derived(may('addAccount'));
  let adding = $state<'account' | 'host' | null>(null);
  let changing = $state<string | null>(null);
  // What goes another way than over the connection or on the account’s pages.
  function byHand(a: { ways: Record<string, string>; privacy_service?: string | null }): string[] {
    if (Object.values(a.ways).every((way) => way === 'letter')) return [say.accounts.everythingByLetterToIts];
    return WAYS.flatMap(({ act, label, of }) => {
      const way = a.ways[act];
      if (!way || way === 'connection' || way === 'page') return [];
      const words =
        way === 'service'
          ? say.accounts.at2(a.privacy_service ?? say.accounts.aSeparateService)
          : of.find(([w]) => w === way)?.[1];
      return [`${label.toLowerCase()} ${words}`];
    });
  }
  const holder = (id: string | null) => places.data?.accounts.find((a) => a.id === id)?.title ?? id;
</script>

{#snippet change(what: string, title: string)}
  {#if admin && changing !== what}
    <button class="change" onclick={() => (changing = what)} aria-label={say.accounts.change(title)}
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
      <ul>
        {#each places.data.accounts as a (a.id)}
          <li>
            <strong>{a.title}</strong>
            <span
              >{a.kind === 'epp' ? say.accounts.byEpp : say.accounts.byHand}{byHand(a).length
                ? `; ${byHand(a).join(', ')}`
                : ''}</span
            >
            {#if a.site}<a href={a.site} target="_blank" rel="noopener noreferrer">{say.accounts.itsPages}</a>{/if}
            {#if a.support}<span class="mono muted">{a.support}</span>{/if}
            {#if a.connection.host}<span class="mono muted"
                >{say.accounts.at(a.connection.client, a.connection.host, a.connection.port)}</span
              >{/if}
            {#if a.prices.currency && typeof a.prices.renew === 'number'}
              <span class="muted num"
                >{say.accounts.aYearHere(money({ minor: a.prices.renew, currency: a.prices.currency }))}</span
              >
            {/if}
            {@render change(`account ${a.id}`, a.title)}
            {#if changing === `account ${a.id}`}<AccountChange id={a.id} done={() => (changing = null)} />{/if}
          </li>
        {:else}
          <li class="muted">{say.accounts.noneYetAddTheAccount}</li>
        {/each}
      </ul>
      {#if admin && adding !== 'account'}<button onclick={() => (adding = 'account')}
          >{say.accounts.addARegistrarAccount}</button
        >{/if}
      {#if adding === 'account'}<AccountForm done={() => (adding = null)} />{/if}
    </section>
    <section>
      <h2>{say.accounts.dnsHosts}</h2>
      <ul>
        {#each places.data.hosts as h (h.id)}
          <li>
            <strong>{h.title}</strong>
            <span class="mono muted">{h.name_servers.join(' ')}</span>
            {#if h.ends_with}<span>{say.accounts.endsWithTheRegistrationAt(holder(h.ends_with))}</span>{/if}
            {@render change(`host ${h.id}`, h.title)}
            {#if changing === `host ${h.id}`}
              <HostForm accounts={places.data.accounts} held={h} done={() => (changing = null)} />
            {/if}
          </li>
        {:else}
          <li class="muted">
            {say.accounts.noneYetADnsHost}
          </li>
        {/each}
      </ul>
      {#if admin && adding !== 'host'}<button onclick={() => (adding = 'host')}>{say.accounts.addADnsHost}</button>{/if}
      {#if adding === 'host'}<HostForm accounts={places.data.accounts} done={() => (adding = null)} />{/if}
    </section>
  {/if}
  {#if admin}
    <Places />
    <People />
    <Webhooks />
  {/if}
</main>

<style>
  .change {
    margin-left: auto;
    color: var(--loden);
    cursor: pointer;
  }
  main :global(section > button) {
    border: 1px solid var(--loden);
    color: var(--loden);
    border-radius: var(--radius);
    padding: 0.25rem 0.7rem;
    cursor: pointer;
  }
  main :global(form) {
    background: var(--sheet);
    border: 1px solid var(--line);
    border-radius: var(--radius);
    padding: 1rem;
    width: 100%;
    max-width: 44rem;
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(13rem, 1fr));
    gap: 0.7rem;
    align-items: end;
  }
</style>
