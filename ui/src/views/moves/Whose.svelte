<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';
  import Trouble from '../../parts/Trouble.svelte';

  /**
   * The public record names a registrar after a move, of which nobody said yet that it is the
   * gaining one.
   */
  let { move, shown, to }: { move: number; shown: string; to: string } = $props();
  const client = useQueryClient();
  const same = createMutation(() => ({
    mutationFn: () =>
      ask(api.POST('/api/moves/{id}/same-registrar', { params: { path: { id: move } } })),
    onSettled: () => refresh(client, 'desk', 'moves', 'hands', 'accounts'),
  }));
</script>

<p>
  {say.whoseRegistrar.otherwise(shown)}
  <Button color="alternative" size="sm" disabled={same.isPending} onclick={() => same.mutate()}
    >{say.whoseRegistrar.itIs(to)}</Button
  >
</p>
<Trouble error={same.error} />
