<script lang="ts">
  import { createMutation } from '@tanstack/svelte-query';
  import { Button, Label, Textarea } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import { hold, picked, TRAY_MOST } from '../../lib/tray.svelte';
  import { say } from '../../lib/say';
  import Trouble from '../../parts/Trouble.svelte';

  /** A pasted list of names goes into the tray. */
  let text = $state('');
  const pick = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/names/pick', { body: { text } })),
    onSuccess: ({ names }) => hold([...new Set([...picked(), ...names])]),
  }));
  const found = $derived(pick.data?.names.length ?? 0);
  const unknown = $derived(pick.data?.unknown ?? []);
  const SHOWN = 12;
  const shown = $derived(unknown.slice(0, SHOWN));
  const submit = (e: SubmitEvent) => {
    e.preventDefault();
    pick.mutate();
  };
</script>

<form class="grid gap-2 w-[20rem] max-w-full" onsubmit={submit}>
  <Label for="pick-list">{say.pickList.label}</Label>
  <Textarea id="pick-list" rows={6} class="w-full font-mono" required bind:value={text} />
  <p>
    <Button size="sm" color="alternative" type="submit" disabled={pick.isPending || !text.trim()}
      >{say.pickList.put}</Button
    >
  </p>
  <Trouble error={pick.error} />
  {#if pick.data}
    <p role="status">
      {say.pickList.found(found)}
      {#if picked().length === TRAY_MOST}{say.pickList.full(TRAY_MOST)}{/if}
    </p>
    {#if unknown.length}
      <p class="note wrap-anywhere">
        {say.pickList.unknown(unknown.length)}
        <span class="mono">{shown.join(', ')}{unknown.length > SHOWN ? ' …' : ''}</span>
      </p>
    {/if}
  {/if}
</form>
