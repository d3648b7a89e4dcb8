<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';
  import May from '../../parts/May.svelte';
  import Trouble from '../../parts/Trouble.svelte';

  /** What was learnt of its registrars since it was planned: shown, and followed when told to. */
  let { move, told }: { move: number; told: string[] } = $props();
  const client = useQueryClient();
  const revise = createMutation(() => ({
    mutationFn: () =>
      ask(api.POST('/api/moves/{id}/revise', { params: { path: { id: move } }, body: { told } })),
    onSettled: () => refresh(client, 'desk', 'moves', 'hands'),
  }));
</script>

<section class="box grid gap-2 py-2 px-4 my-4 mx-0" aria-label={say.moveSheet.revision}>
  <h2>{say.moveSheet.revision}</h2>
  <ul>
    {#each told as line (line)}<li class="said">{line}</li>{/each}
  </ul>
  <Trouble error={revise.error} />
  <May operation="revisePlan">
    <p>
      <Button
        color="alternative"
        size="sm"
        disabled={revise.isPending}
        onclick={() => revise.mutate()}>{say.moveSheet.revise}</Button
      >
      <span class="note muted">{say.moveSheet.revisedWhat}</span>
    </p>
  </May>
</section>

<style>
  .said::first-letter {
    text-transform: uppercase;
  }
</style>
