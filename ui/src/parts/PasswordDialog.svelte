<script lang="ts">
  import { Button, Input, Label } from 'flowbite-svelte';
  import { api, ask } from '../lib/api';
  import { say } from '../lib/say';
  import Whose from '../views/you/Whose.svelte';
  import Trouble from './Trouble.svelte';

  /** Asks for the password once more, and ends with whether it was given. */
  let { end }: { end: (given: boolean) => void } = $props();
  let password = $state('');
  let error = $state<Error | null>(null);
  let busy = $state(false);
  let dialog = $state<HTMLDialogElement>();
  // Closed before it goes: so the focus returns to where it was.
  function over(given: boolean) {
    dialog?.close();
    end(given);
  }

  async function give(e: SubmitEvent) {
    e.preventDefault();
    busy = true;
    await ask(api.POST('/api/me/confirm', { body: { password } })).then(
      () => over(true),
      (e: Error) => (error = e),
    );
    busy = false;
  }
</script>

<dialog
  class="over w-[min(26rem,94vw)]"
  bind:this={dialog}
  {@attach (node) => {
    (node as HTMLDialogElement).showModal();
    // Not the field before it, which tells a keeper of passwords whose it is.
    node.querySelector<HTMLElement>('#again-password')?.focus();
  }}
  aria-labelledby="again-title"
  oncancel={(e) => {
    e.preventDefault();
    over(false);
  }}
>
  <h2 id="again-title">{say.passwordAgain.title}</h2>
  <p>{say.passwordAgain.says}</p>
  <Trouble {error} />
  <form onsubmit={give}>
    <Whose />
    <Label for="again-password">{say.passwordAgain.password}</Label>
    <Input
      id="again-password"
      type="password"
      autocomplete="current-password"
      required
      bind:value={password}
    />
    <div class="acts flex gap-2 mt-4">
      <Button color="alternative" type="submit" disabled={busy}>{say.passwordAgain.goOn}</Button>
      <Button type="button" color="alternative" onclick={() => over(false)}
        >{say.forGood.notNow}</Button
      >
    </div>
  </form>
</dialog>
