<script lang="ts">
  import { at } from '../../lib/base';
  import { Button, Input, Label } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import { session } from '../../lib/session.svelte';
  import Welcome from './Welcome.svelte';
  import { say } from '../../lib/say';

  let word = $state('');
  let email = $state('');
  let password = $state('');
  let said = $state('');
  let busy = $state(false);

  async function submit(e: SubmitEvent) {
    e.preventDefault();
    busy = true;
    said = '';
    try {
      await ask(api.POST('/api/first-run', { body: { word, email, password } }));
      await session.signIn(email, password);
      location.assign(at('/begin'));
    } catch (e) {
      said = (e as Error).message;
    }
    busy = false;
  }
</script>

<Welcome
  lead="Nobody can sign in yet. Make yourself the administrator; then add the accounts that hold your names."
>
  <form onsubmit={submit}>
    <Label for="word">{say.firstRun.firstWord}</Label>
    <Input id="word" class="font-mono" autocomplete="off" required bind:value={word} />
    <Label for="email">{say.firstRun.ownEmail}</Label>
    <Input id="email" type="email" autocomplete="username" required bind:value={email} />
    <Label for="password">{say.firstRun.passwordRule}</Label>
    <Input
      id="password"
      type="password"
      autocomplete="new-password"
      minlength={12}
      required
      bind:value={password}
    />
    {#if said}<p class="said" role="alert">{said}</p>{/if}
    <Button color="alternative" type="submit" disabled={busy}
      >{say.firstRun.becomeAdministrator}</Button
    >
  </form>
</Welcome>
