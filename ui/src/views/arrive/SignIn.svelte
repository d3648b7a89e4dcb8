<script lang="ts">
  import { Button, Input, Label } from 'flowbite-svelte';
  import { session } from '../../lib/session.svelte';
  import Welcome from './Welcome.svelte';
  import { say } from '../../lib/say';

  let email = $state('');
  let password = $state('');
  let code = $state('');
  let said = $state('');
  let busy = $state(false);

  async function submit(e: SubmitEvent) {
    e.preventDefault();
    busy = true;
    said = '';
    const half = session.who?.second_factor;
    await (half ? session.giveCode(code.trim()) : session.signIn(email, password)).catch(
      (e: Error) => (said = e.message),
    );
    busy = false;
  }
</script>

<Welcome lead={say.signIn.theDeskForMovingDomain}>
  <form onsubmit={submit}>
    {#if session.who?.second_factor}
      <Label for="code">{say.signIn.theCodeThatYourSecond}</Label>
      <Input id="code" class="font-mono" inputmode="numeric" autocomplete="one-time-code" required bind:value={code} />
    {:else}
      <Label for="email">{say.signIn.eMail}</Label>
      <Input id="email" type="email" autocomplete="username" required bind:value={email} />
      <Label for="password">{say.signIn.password}</Label>
      <Input id="password" type="password" autocomplete="current-password" required bind:value={password} />
    {/if}
    {#if said}<p class="said" role="alert">{said}</p>{/if}
    <Button type="submit" disabled={busy}>{session.who?.second_factor ? say.signIn.goOn : say.signIn.signIn}</Button>
    {#if session.who?.second_factor}<Button color="alternative" onclick={() => session.signOut()}
        >{say.signIn.notMe}</Button
      >{/if}
  </form>
  {#snippet after()}
    {#if session.who?.practice}
      <p class="muted">
        {say.signIn.thisIsThePracticeWorld}
      </p>
    {/if}
  {/snippet}
</Welcome>
