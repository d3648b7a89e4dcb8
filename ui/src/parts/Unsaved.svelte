<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { blockNavigation } from 'sv-router';
  import { clean, dirty, noteSending, noteTyping } from '../lib/dirty';
  import { say } from '../lib/say';

  /** Asks before a view is left in which something was typed and not saved. */
  let dialog = $state<HTMLDialogElement>();
  let answer: (leave: boolean) => void = () => {};

  function asked() {
    if (!dirty()) return true;
    dialog?.showModal();
    return new Promise<boolean>((decide) => (answer = decide));
  }
  $effect(() => blockNavigation({ beforeUnload: () => !dirty(), onNavigate: asked }));

  function decide(leave: boolean) {
    if (leave) clean();
    answer(leave);
    answer = () => {};
    dialog?.close();
  }
</script>

<svelte:document oninput={noteTyping} onsubmitcapture={noteSending} />
<dialog
  class="over max-w-[min(30rem,92vw)]"
  bind:this={dialog}
  aria-labelledby="unsaved"
  onclose={() => decide(false)}
>
  <h2 id="unsaved">{say.unsaved.title}</h2>
  <p>{say.unsaved.says}</p>
  <div class="flex flex-wrap gap-2 justify-end">
    <Button color="alternative" onclick={() => decide(true)}>{say.unsaved.leave}</Button>
    <Button color="alternative" onclick={() => decide(false)}>{say.unsaved.stay}</Button>
  </div>
</dialog>

<style>
  dialog[open] {
    display: grid;
    gap: 8px;
  }
</style>
