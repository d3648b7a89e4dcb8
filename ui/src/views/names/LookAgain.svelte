<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';
  import { whole } from '../../lib/work';
  import May from '../../parts/May.svelte';
  import Trouble from '../../parts/Trouble.svelte';

  /** Names looked up again, all at once, with how far it is. */
  let { names }: { names: string[] } = $props();
  const client = useQueryClient();
  let far = $state<{ done: number; of: number }>();
  const look = createMutation(() => ({
    mutationFn: async () =>
      whole<Schemas['LookedAgain']>(
        await ask(api.POST('/api/names/look', { body: { names } })),
        (job) => ask(api.GET('/api/looks/{job}', { params: { path: { job } } })),
        (so) => (far = so),
      ),
    onSettled: () => {
      far = undefined;
      void refresh(client, 'names');
    },
  }));
</script>

<May operation="lookAgain">
  <button
    class="cursor-pointer text-loden underline"
    disabled={look.isPending}
    onclick={() => look.mutate()}>{say.tray.lookAgain}</button
  >
  {#if far}<span role="status">{say.tray.ofLooked(far.done, far.of)}</span>{/if}
  {#if look.data && !look.isPending}
    <span role="status">{say.tray.looked(look.data.looked, look.data.problems.length)}</span>
  {/if}
  <Trouble error={look.error} />
</May>
