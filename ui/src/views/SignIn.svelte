<script lang="ts">
  import { Button, Input, Label } from 'flowbite-svelte';
  import { session } from '../lib/session.svelte';

  let email = $state('');
  let password = $state('');
  let said = $state('');
  let busy = $state(false);

  async function submit(e: SubmitEvent) {
    e.preventDefault();
    busy = true;
    said = '';
    await session.signIn(email, password).catch((e: Error) => (said = e.message));
    busy = false;
  }
</script>

<main>
  <div class="mark">
    <img src="/mark.svg" alt="" width="36" height="36" />
    <h1>Steady Move</h1>
  </div>
  <p class="lead">The desk for moving domain names between registrars.</p>
  <form onsubmit={submit}>
    <Label for="email">E-mail</Label>
    <Input id="email" type="email" autocomplete="username" required bind:value={email} />
    <Label for="password">Password</Label>
    <Input id="password" type="password" autocomplete="current-password" required bind:value={password} />
    {#if said}<p class="said" role="alert">{said}</p>{/if}
    <Button type="submit" disabled={busy}>Sign in</Button>
  </form>
  {#if session.who?.practice}
    <p class="muted">
      This is the practice world: every registrar, name and message in it is invented. The command that started it
      printed the address and sign-in.
    </p>
  {/if}
</main>

<style>
  main {
    max-width: 25rem;
    margin: 14vh auto 0;
    padding: 0 1.25rem;
    display: grid;
    gap: 0.9rem;
  }
  .mark {
    display: flex;
    align-items: center;
    gap: 0.7rem;
  }
  form {
    background: var(--sheet);
    border: 1px solid var(--line);
    border-radius: var(--radius);
    padding: 1.25rem;
    display: grid;
    gap: 0.55rem;
  }
  form :global(button) {
    margin-top: 0.5rem;
  }
  .said {
    color: var(--madder);
  }
</style>
