<script lang="ts">
  import { Button, Input, Label } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import { session } from '../../lib/session.svelte';
  import Welcome from './Welcome.svelte';
  import { say } from '../../lib/say';

  let { word }: { word: string } = $props();
  let password = $state('');
  let said = $state('');

  async function submit(e: SubmitEvent) {
    e.preventDefault();
    said = '';
    try {
      const { email } = await ask(api.POST('/api/invitations/accept', { body: { word, password } }));
      await session.signIn(email, password);
      location.assign('/');
    } catch (e) {
      said = (e as Error).message;
    }
  }
</script>

<Welcome lead="You are invited to this desk. Choose a password; the invitation then ends.">
  <form onsubmit={submit}>
    <Label for="password">{say.invited.aPasswordOfAtLeast}</Label>
    <Input id="password" type="password" autocomplete="new-password" minlength={10} required bind:value={password} />
    {#if said}<p class="said" role="alert">{said}</p>{/if}
    <Button type="submit">{say.invited.comeIn}</Button>
  </form>
</Welcome>
