<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import { p } from '../../router';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';
  import CodeList from '../codes/CodeList.svelte';
  import Acts from './Acts.svelte';
  import ConsentForm from './ConsentForm.svelte';
  import Letter from './Letter.svelte';

  const hands = createQuery(() => ({ queryKey: ['hands'], queryFn: () => ask(api.GET('/api/hands')) }));
  let reminding = $state<number>();
  let listing = $state(false);
  const codes = $derived(hands.data?.places.some((l) => l.items.some((i) => i.hand.pastes)) ?? false);
  const STATES = { intended: 'not known whether it went out', sent: 'no answer yet', answered: 'answered' };
</script>

<main class="view">
  <h1>By hand</h1>
  <p class="muted">
    What registrars offer no connection for, gathered by place: sign in once, do all of it, and say so. The desk proves
    each act from outside.
  </p>
  <Trouble error={hands.error} />
  {#if hands.data}
    {@const h = hands.data}
    {#if h.consents}{#key h.consents.moves.length}<ConsentForm due={h.consents} />{/key}{/if}
    {#each h.overdue as l (l.id)}
      <section class="panel late">
        <h2>
          {l.state === 'intended'
            ? `It is not known whether the letter to ${l.recipient} went out`
            : `Late: ${l.recipient} has not answered`}
        </h2>
        <p>Written <When at={l.at} />: “{l.subject}”.</p>
        {#if reminding === l.id}
          <Letter reminds={l.id} canSend={h.can_send} done={() => (reminding = undefined)} />
        {:else}<p><Button size="sm" onclick={() => (reminding = l.id)}>Send a reminder</Button></p>{/if}
      </section>
    {/each}
    {#each h.places as place (place.id)}<Acts {place} canSend={h.can_send} />{/each}
    {#if codes}
      {#if listing}<CodeList done={() => (listing = false)} />{:else}
        <p><Button color="alternative" onclick={() => (listing = true)}>Paste a list of codes</Button></p>
      {/if}
    {/if}
    {#if !h.places.length && !h.consents && !h.overdue.length}
      <p class="empty">
        Acts at registrars without a connection will stand here, each with where to sign in, what to do there, and how
        the desk sees it done. <a href={p('/names')}>Choose names</a> and plan their moves.
      </p>
    {/if}
    {#if h.letters.length}
      <section class="panel">
        <h2>Letters</h2>
        <ul>
          {#each h.letters as l (l.id)}
            <li>
              <span>{l.subject}</span> <span class="muted mono">{l.recipient}</span>
              <span class="muted"
                ><When at={l.at} />, {l.how === 'smtp' ? 'sent by the desk' : 'sent by hand'}; {STATES[l.state]}
                {#if l.answered_at}<When at={l.answered_at} bare />{/if}</span
              >
            </li>
          {/each}
        </ul>
      </section>
    {/if}
  {/if}
</main>

<style>
  .late {
    border-left: 4px solid var(--madder);
  }
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 0 1rem;
    padding: 0.3rem 0;
    border-top: 1px solid var(--line);
    overflow-wrap: anywhere;
  }
</style>
