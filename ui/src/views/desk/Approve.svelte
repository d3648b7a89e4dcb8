<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask, type Card } from '../../lib/api';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';
  import ForGood from '../../parts/ForGood.svelte';
  import Trouble from '../../parts/Trouble.svelte';

  /** The release of a move's transfer by a second person, from its card. */
  let { card }: { card: Card } = $props();
  const client = useQueryClient();
  const approve = createMutation(() => ({
    mutationFn: () =>
      ask(api.POST('/api/moves/{id}/approve', { params: { path: { id: card.id } } })),
    onSettled: () => refresh(client, 'desk', 'moves', 'hands'),
  }));
</script>

<ForGood
  size="sm"
  label={say.card.approve}
  named={say.card.approveOf(card.unicode)}
  yes={say.forGood.release(card.unicode, card.to)}
  busy={approve.isPending}
  act={() => approve.mutate()}
/>
<Trouble error={approve.error} />
