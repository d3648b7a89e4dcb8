<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { refresh } from '../../lib/live.svelte';
  import May from '../../parts/May.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { say } from '../../lib/say';

  /** What was said to be done and is not proven yet can be taken back. */
  let { steps }: { steps: { move: number; step: string }[] } = $props();
  const client = useQueryClient();
  const unsay = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/hands/unsaid', { body: { steps } })),
    onSettled: () => refresh(client, 'desk', 'moves', 'hands'),
  }));
</script>

<May operation="unsaid"
  ><button type="button" class="link" disabled={unsay.isPending} onclick={() => unsay.mutate()}
    >{say.handPanel.takeBack}</button
  ></May
>
<Trouble error={unsay.error} />
