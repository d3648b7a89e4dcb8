<script lang="ts">
  import { untrack } from 'svelte';
  import { Button, Input, Label } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import { passkeysWork } from '../../lib/passkeys';
  import { session } from '../../lib/session.svelte';
  import Welcome from './Welcome.svelte';
  import { say } from '../../lib/say';

  /** Over a page of somebody's: only that person goes on with it. */
  let { over = false }: { over?: boolean } = $props();
  let email = $state(untrack(() => (over ? (session.ended ?? '') : '')));
  let password = $state('');
  let code = $state('');
  let said = $state('');
  let busy = $state(false);
  // What the form asks for beside what it usually does.
  let other = $state<'forgotten' | 'recovery' | null>(null);
  const half = $derived(session.who?.second_factor ?? false);

  async function tell() {
    const { says } = await ask(api.POST('/api/password/forgotten', { body: { email } }));
    other = null;
    said = says;
  }

  /** Does it, and says what went wrong. */
  async function attempt(what: () => Promise<unknown>) {
    busy = true;
    said = '';
    await what().catch((e: Error) => (said = e.message));
    busy = false;
  }

  function submit(e: SubmitEvent) {
    e.preventDefault();
    void attempt(() => {
      if (half)
        return other === 'recovery'
          ? session.giveRecoveryCode(code.trim())
          : session.giveCode(code.trim());
      return other === 'forgotten' ? tell() : session.signIn(email, password);
    });
  }
  async function leave() {
    session.ended = null;
    await session.signOut();
  }
  const turnTo = (what: typeof other) => {
    other = what;
    code = said = '';
  };
</script>

<Welcome lead={say.signIn.purpose}>
  <form onsubmit={submit}>
    {#if half}
      <Label for="code"
        >{other === 'recovery' ? say.signIn.recoveryCode : say.signIn.factorCode}</Label
      >
      <Input
        id="code"
        class="font-mono"
        inputmode={other === 'recovery' ? 'text' : 'numeric'}
        autocomplete="one-time-code"
        required
        bind:value={code}
      />
    {:else}
      <Label for="email">{say.signIn.eMail}</Label>
      <Input id="email" type="email" autocomplete="username" required bind:value={email} />
      {#if other !== 'forgotten'}
        <Label for="password">{say.signIn.password}</Label>
        <Input
          id="password"
          type="password"
          autocomplete="current-password"
          required
          bind:value={password}
        />
      {/if}
    {/if}
    {#if said}<p class="said" role="alert">{said}</p>{/if}
    <Button color="alternative" type="submit" disabled={busy}
      >{half
        ? say.signIn.goOn
        : other === 'forgotten'
          ? say.signIn.mailALink
          : say.signIn.signIn}</Button
    >
    {#if half}
      {#if passkeysWork()}
        <Button
          color="alternative"
          disabled={busy}
          onclick={() => attempt(() => session.givePasskey())}>{say.signIn.passkey}</Button
        >
      {/if}
      {#if other !== 'recovery'}
        <button class="link" type="button" onclick={() => turnTo('recovery')}
          >{say.signIn.useARecoveryCode}</button
        >
      {/if}
      <button class="link" type="button" onclick={() => leave()}>{say.signIn.notMe}</button>
    {:else}
      {#if over}<button class="link" type="button" onclick={() => (session.ended = null)}
          >{say.signIn.otherPerson}</button
        >{/if}
      <button class="link" type="button" onclick={() => turnTo(other ? null : 'forgotten')}
        >{other ? say.signIn.back : say.signIn.forgotten}</button
      >
    {/if}
  </form>
  {#snippet after()}
    {#if session.who?.practice}
      <p class="muted">
        {say.signIn.practiceIntro}
      </p>
    {/if}
  {/snippet}
</Welcome>
