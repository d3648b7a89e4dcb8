<script lang="ts">
  import type { QueryClient } from '@tanstack/svelte-query';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';
  import SignIn from './SignIn.svelte';

  /** Signing in again over the page that stood there: what was typed is kept. */
  let { client }: { client: QueryClient } = $props();
  let dialog = $state<HTMLDialogElement>();

  $effect(() => {
    dialog?.showModal();
    return () => void refresh(client);
  });
</script>

<dialog
  class="over w-[min(30rem,94vw)]"
  bind:this={dialog}
  aria-label={say.sessionOver.title}
  oncancel={(e) => e.preventDefault()}
>
  <p role="status">{say.sessionOver.says}</p>
  <SignIn over />
</dialog>

<style>
  dialog :global(main) {
    margin: 16px auto 0;
    padding: 0;
  }
  /* Whoever comes by reads nothing of the page behind it. */
  dialog::backdrop {
    backdrop-filter: blur(14px);
  }
</style>
