<script lang="ts">
  import type UnsavedDialog from './UnsavedDialog.svelte';
  import { blockNavigation } from 'sv-router';
  import { clean, dirty, noteSending, noteTyping } from '../lib/dirty';
  import { say } from '../lib/say';

  /** Asks before a view is left in which something was typed and not saved. */
  type Question = { Dialog: typeof UnsavedDialog; answer: (leave: boolean) => void };
  let question = $state.raw<Question>();

  async function asked() {
    if (!dirty()) return true;
    const part = await import('./UnsavedDialog.svelte').catch(() => undefined);
    // Where the question can't be fetched, the browser's own asks it.
    if (!part) return window.confirm(`${say.unsaved.title} ${say.unsaved.says}`);
    return new Promise<boolean>((answer) => (question = { Dialog: part.default, answer }));
  }
  $effect(() => blockNavigation({ beforeUnload: () => !dirty(), onNavigate: asked }));

  function decide(leave: boolean) {
    if (leave) clean();
    question?.answer(leave);
    question = undefined;
  }
</script>

<svelte:document oninput={noteTyping} onsubmitcapture={noteSending} />
{#if question}<question.Dialog {decide} />{/if}
