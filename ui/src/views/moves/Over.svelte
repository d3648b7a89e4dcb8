<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';
  import ForGood from '../../parts/ForGood.svelte';
  import Trouble from '../../parts/Trouble.svelte';

  /** Nothing shows how a transfer ended: a person who looked at both sides’ pages says so. */
  let { move }: { move: number } = $props();
  type How = Schemas['Over']['how'];
  const client = useQueryClient();
  const tell = createMutation(() => ({
    mutationFn: (how: How) =>
      ask(api.POST('/api/moves/{id}/over', { params: { path: { id: move } }, body: { how } })),
    onSettled: () => refresh(client, 'desk', 'moves', 'hands'),
  }));
</script>

<section
  class="box py-2 px-4 mb-4 border-l-4 border-l-madder grid gap-2"
  aria-label={say.over.howDidItEnd}
>
  <p>{say.over.howDidItEnd} <span class="muted">{say.over.whatFollows}</span></p>
  <p class="acts">
    {#each say.over.ways as [how, words] (how)}
      <ForGood
        quiet
        label={words}
        yes={say.over.yes(words)}
        busy={tell.isPending}
        act={() => tell.mutate(how)}
      />
    {/each}
  </p>
  <Trouble error={tell.error} />
</section>
