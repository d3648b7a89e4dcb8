<script lang="ts">
  import { at } from '../../lib/base';
  import { Button, Input, Label } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import { session } from '../../lib/session.svelte';
  import Welcome from './Welcome.svelte';
  import { say } from '../../lib/say';

  /**
   * A one-time word and what it is for: to come in for the first time, or to choose a new password.
   */
  let { word, invited }: { word: string; invited: boolean } = $props();
  let password = $state('');
  let said = $state('');

  async function submit(e: SubmitEvent) {
    e.preventDefault();
    said = '';
    const body = { word, password };
    try {
      const { email } = await ask(
        invited
          ? api.POST('/api/invitations/accept', { body })
          : api.POST('/api/password/new', { body }),
      );
      await session.signIn(email, password);
      location.assign(at('/'));
    } catch (e) {
      said = (e as Error).message;
    }
  }
</script>

<Welcome lead={invited ? say.invited.invitation : say.invited.chooseANewOne}>
  <form onsubmit={submit}>
    <Label for="password">{say.invited.passwordRule}</Label>
    <Input
      id="password"
      type="password"
      autocomplete="new-password"
      minlength={12}
      required
      bind:value={password}
    />
    {#if said}<p class="said" role="alert">{said}</p>{/if}
    <Button color="alternative" type="submit">{say.invited.comeIn}</Button>
  </form>
</Welcome>
