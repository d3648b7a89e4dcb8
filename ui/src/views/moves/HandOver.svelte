<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';
  import Copy from '../../parts/Copy.svelte';
  import Trouble from '../../parts/Trouble.svelte';

  /** The sheet for whoever takes the name, with its code: shown once. */
  let { move, can }: { move: number; can: boolean } = $props();
  const client = useQueryClient();
  const show = createMutation(() => ({
    mutationFn: () =>
      ask(api.POST('/api/moves/{id}/hand-over', { params: { path: { id: move } } })),
    onSettled: () => refresh(client, 'desk', 'moves', 'hands'),
  }));
</script>

{#if show.data}
  <section class="box py-2 px-4 mb-4" aria-label={say.handOver.theSheet}>
    <p class="muted">{say.handOver.shownOnce}</p>
    <pre class="whitespace-pre-wrap wrap-anywhere">{show.data.text}</pre>
    <p><Copy text={show.data.text} what={say.handOver.theSheet} /></p>
  </section>
{:else if can}
  <p>
    <Button color="alternative" disabled={show.isPending} onclick={() => show.mutate()}
      >{say.handOver.show}</Button
    >
  </p>
{/if}
<Trouble error={show.error} />

<style>
  section :global(span.mono) {
    display: none;
  }
</style>
