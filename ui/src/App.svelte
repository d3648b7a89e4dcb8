<script lang="ts">
  import { QueryClientProvider } from '@tanstack/svelte-query';
  import { newClient } from './lib/client';
  import { Said, whenOut } from './lib/api';
  import { at } from './lib/base';
  import { session } from './lib/session.svelte';
  import Frame from './parts/Frame.svelte';
  import PasswordAgain from './parts/PasswordAgain.svelte';
  import { say } from './lib/say';

  const client = newClient();
  let failed = $state('');
  // The link of an invitation is /invited#WORD, that for a new password /new-password#WORD: what
  // stands behind # never leaves the browser in a request's address.
  const word = [at('/invited'), at('/new-password')].includes(location.pathname)
    ? location.hash.slice(1)
    : '';
  // A client's page is /agreement#WORD, whoever is signed in.
  const agreement = location.pathname === at('/agreement') ? location.hash.slice(1) : '';
  whenOut(() => session.who?.signed_in && void session.load());

  /**
   * A desk that is being started anew, or a proxy that does not reach it: asked again after so
   * long.
   */
  const AGAIN = 2000;
  function begin() {
    session
      .load()
      .then(() => (failed = ''))
      .catch((e: Error) => {
        failed = e.message;
        if (!(e instanceof Said) || e.status === 0 || e.status >= 500) setTimeout(begin, AGAIN);
      });
  }
  begin();
</script>

<QueryClientProvider {client}>
  {#if failed}
    <main class="max-w-[30rem] my-[20vh] mx-auto py-0 px-4">
      <h1>{say.app.steadyMove}</h1>
      <p role="alert">{failed}</p>
    </main>
  {:else if session.who && agreement}
    {#await import('./views/arrive/Agreement.svelte') then { default: Agreement }}
      <Agreement word={agreement} />
    {/await}
  {:else if session.who && (session.who.signed_in || session.ended)}
    <Frame {client} />
    <PasswordAgain />
    {#if session.ended}
      {#await import('./views/arrive/SessionOver.svelte') then { default: SessionOver }}<SessionOver
          {client}
        />{/await}
    {/if}
  {:else if session.who?.first_run}
    {#await import('./views/arrive/FirstRun.svelte') then { default: FirstRun }}<FirstRun />{/await}
  {:else if session.who && word}
    {#await import('./views/arrive/Invited.svelte') then { default: Invited }}
      <Invited {word} invited={location.pathname === at('/invited')} />
    {/await}
  {:else if session.who}
    {#await import('./views/arrive/SignIn.svelte') then { default: SignIn }}<SignIn />{/await}
  {/if}
</QueryClientProvider>
