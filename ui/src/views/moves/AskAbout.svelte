<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { say } from '../../lib/say';
  import { draft } from '../../lib/live.svelte';
  import Stale from '../../parts/Stale.svelte';
  import Trouble from '../../parts/Trouble.svelte';

  /** Whom to ask about a move that waits for somebody else, with a ready letter. */
  let { id, late }: { id: number; late: boolean } = $props();
  let open = $state(false);
  const letter = createQuery(() => ({
    queryKey: ['letter', 'late', id],
    queryFn: () => ask(api.GET('/api/moves/{id}/ask', { params: { path: { id } } })),
    enabled: open,
    ...draft,
  }));
</script>

<details class="fold" bind:open class:late>
  <summary>{say.late.summary}</summary>
  <Trouble error={letter.error} />
  {#if letter.data}
    <Stale at={letter.dataUpdatedAt} again={() => void letter.refetch()} />
    <p>{say.late.to(letter.data.to || say.late.addressMissing)}</p>
    <pre class="whitespace-pre-wrap font-sans p-2 bg-raised border border-line">{letter.data
        .subject}

{letter.data.text}</pre>
    <a href={letter.data.mailto}>{say.late.write}</a>
  {/if}
</details>

<style>
  .late summary {
    color: var(--madder);
  }
</style>
