<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import { may, session } from '../../lib/session.svelte';
  import { refresh } from '../../lib/live.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { say } from '../../lib/say';

  /** Who has the move in hand, who else has its sheet open, and handing it over with a note. */
  let { id, open }: { id: number; open: boolean } = $props();
  const EVERY = 20_000;
  const client = useQueryClient();
  const here = createQuery(() => ({
    queryKey: ['here', id],
    queryFn: () => ask(api.GET('/api/moves/{id}/here', { params: { path: { id } } })),
    refetchInterval: EVERY,
  }));
  let handing = $state(false);
  let to = $state('');
  let note = $state('');
  const hand = createMutation(() => ({
    mutationFn: () =>
      ask(api.POST('/api/moves/{id}/hand-on', { params: { path: { id } }, body: { to, note } })),
    onSuccess: () => {
      handing = false;
      note = to = '';
      void here.refetch();
      void refresh(client, 'desk', 'moves', 'hands');
    },
  }));
  const others = $derived((here.data?.people ?? []).filter((p) => p !== here.data?.keeper));

  function submit(e: SubmitEvent) {
    e.preventDefault();
    hand.mutate();
  }
</script>

<p class="company flex flex-wrap gap-y-1 gap-x-4 min-h-[1.5em]">
  {#if here.data}
    <span
      >{here.data.keeper === session.who?.email
        ? say.company.yourHands
        : say.company.inHand(here.data.keeper ?? '')}</span
    >
    {#if here.data.others.length}<span class="others text-ochre font-semibold" role="status"
        >{say.company.alsoHere(here.data.others.join(', '))}</span
      >{/if}
    {#if open && may('handOn') && others.length && !handing}
      <button class="link" onclick={() => (handing = true)}>{say.company.handOn}</button>
    {/if}
  {/if}
</p>
{#if here.data}
  {#if handing}
    <form class="inline" onsubmit={submit}>
      <label
        >{say.company.to}
        <select class="plain" bind:value={to} required>
          <option value=""></option>
          {#each others as person (person)}<option>{person}</option>{/each}
        </select></label
      >
      <label>{say.company.note} <input class="plain" bind:value={note} maxlength="500" /></label>
      <Button color="alternative" type="submit" size="sm" disabled={hand.isPending}
        >{say.company.handOn}</Button
      >
      <Button size="sm" color="alternative" onclick={() => (handing = false)}
        >{say.company.leaveIt}</Button
      >
    </form>
    <Trouble error={hand.error} />
  {/if}
{/if}
