<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { say } from '../lib/say';

  /** Whether to leave a view in which something was typed and not saved. */
  let { decide }: { decide: (leave: boolean) => void } = $props();
</script>

<dialog
  class="over max-w-[min(30rem,92vw)]"
  {@attach (node) => (node as HTMLDialogElement).showModal()}
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
