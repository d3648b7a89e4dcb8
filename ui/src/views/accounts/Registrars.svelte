<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { may } from '../../lib/session.svelte';
  import { money } from '../../lib/words';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';
  import AccountChange from './AccountChange.svelte';
  import AccountForm from './AccountForm.svelte';
  import { accountForm } from './form';
  import { say } from '../../lib/say';

  const places = createQuery(() => ({
    queryKey: ['accounts'],
    queryFn: () => ask(api.GET('/api/accounts')),
  }));
  const status = createQuery(() => ({
    queryKey: ['status'],
    queryFn: () => ask(api.GET('/api/status')),
  }));
  const form = createQuery(accountForm);
  const ways = $derived((form.data?.habits ?? []).filter((h) => h.section === 'ways'));
  const admin = $derived(may('addAccount'));
  const accounts = $derived(places.data?.accounts ?? []);
  const connected = $derived(accounts.filter((a) => a.kind === 'epp').length);
  let adding = $state(false);
  let changing = $state<string | null>(null);
  // How many things go another way than over the connection or on the account’s pages.
  function letters(a: { ways: Record<string, string> }): string {
    const by = ways.filter((h) => !['connection', 'page', undefined].includes(wayOf(a, h.path)));
    if (!by.length) return '';
    return by.length === ways.length ? say.accounts.viaSupport : say.accounts.otherwise(by.length);
  }
  const wayOf = (a: { ways: Record<string, string> }, path: string[]) => a.ways[path.at(-1) ?? ''];
  const heard = (title: string) => status.data?.connections.find((c) => c.title === title);
</script>

<h1 class="answer">{say.accounts.head(accounts.length, connected)}</h1>
<Trouble error={places.error} />
{#if places.data}
  <section>
    {#if accounts.length}
      <table class="rows">
        <thead>
          <tr>
            <th scope="col">{say.accounts.registrar}</th>
            <th scope="col">{say.accounts.connected}</th>
            <th scope="col" class="num">{say.accounts.aYear}</th>
            <td></td>
          </tr>
        </thead>
        <tbody>
          {#each accounts as a (a.id)}
            {@const state = heard(a.title)}
            <tr>
              <th scope="row"
                >{#if a.site}<a href={a.site} target="_blank" rel="noopener noreferrer">{a.title}</a
                  >{:else}{a.title}{/if}</th
              >
              <td
                >{a.kind === 'epp' ? 'EPP' : say.accounts.byHand}{#if letters(a)}, {letters(a)}{/if}
                {#if state && !state.well && state.heard_at}<span class="block text-madder"
                    >{state.says}</span
                  >
                {:else if state?.well_at}<span class="note muted"
                    >{say.accounts.answered} <When at={state.well_at} bare /></span
                  >{/if}</td
              >
              <td class="num"
                >{typeof a.prices.renew === 'number' && a.prices.currency
                  ? money({ minor: a.prices.renew, currency: a.prices.currency })
                  : say.accounts.priceNotKnown}</td
              >
              <td class="act"
                >{#if admin && changing !== a.id}<button
                    onclick={() => (changing = a.id)}
                    aria-label={say.accounts.change(a.title)}>{say.accounts.changeIt}</button
                  >{/if}</td
              >
            </tr>
            {#if changing === a.id}
              <tr class="under"
                ><td colspan="4"><AccountChange id={a.id} done={() => (changing = null)} /></td></tr
              >
            {/if}
          {/each}
        </tbody>
      </table>
    {:else}<p class="empty">{say.accounts.emptyAccounts}</p>{/if}
    {#if admin && !adding}<button onclick={() => (adding = true)}>{say.accounts.addAccount}</button
      >{/if}
    {#if adding && form.data}<AccountForm
        habits={form.data.habits}
        done={() => (adding = false)}
      />{/if}
  </section>
{/if}
