<script lang="ts">
  import { QueryClientProvider } from '@tanstack/svelte-query';
  import { newClient } from './lib/client';
  import { whenOut } from './lib/api';
  import { session } from './lib/session.svelte';
  import Frame from './parts/Frame.svelte';
  import FirstRun from './views/arrive/FirstRun.svelte';
  import Invited from './views/arrive/Invited.svelte';
  import SignIn from './views/arrive/SignIn.svelte';
  import { say } from './lib/say';

  const client = newClient();
  let failed = $state('');
  // The link of an invitation is /invited#WORD, that for a new password /new-password#WORD: what stands behind #
  // never leaves the browser in a request's address.
  const word = ['/invited', '/new-password'].includes(location.pathname) ? location.hash.slice(1) : '';
  whenOut(() => session.who?.signed_in && void session.load());
  session.load().catch((e: Error) => (failed = e.message));
</script>

<QueryClientProvider {client}>
  {#if failed}
    <main class="alone">
      <h1>{say.app.steadyMove}</h1>
      <p role="alert">{failed}</p>
    </main>
  {:else if session.who?.signed_in}
    <Frame {client} />
  {:else if session.who?.first_run}
    <FirstRun />
  {:else if session.who && word}
    <Invited {word} invited={location.pathname === '/invited'} />
  {:else if session.who}
    <SignIn />
  {/if}
</QueryClientProvider>

<style>
  .alone {
    max-width: 30rem;
    margin: 20vh auto;
    padding: 0 1rem;
  }
</style>
