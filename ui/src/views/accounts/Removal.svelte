<script lang="ts">
  import { createMutation } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { say } from '../../lib/say';

  /** Removes what a form is about, asked twice; why it can't be is told beside it. */
  let { title, remove, done }: { title: string; remove: () => Promise<unknown>; done: () => void } =
    $props();
  let asked = $state(false);
  const removal = createMutation(() => ({ mutationFn: remove, onSuccess: done }));
</script>

<div class="col-span-full border-t border-t-line pt-2">
  {#if asked}
    <Button
      type="button"
      color="red"
      outline
      disabled={removal.isPending}
      onclick={() => removal.mutate()}>{say.accounts.removeForGood}</Button
    >
  {:else}
    <Button type="button" color="alternative" onclick={() => (asked = true)}
      >{say.accounts.remove(title)}</Button
    >
  {/if}
  <Trouble error={removal.error} />
</div>
