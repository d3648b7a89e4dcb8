<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import Field from '../../parts/Field.svelte';
  import Notice from '../../parts/Notice.svelte';
  import OneLine from '../../parts/OneLine.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';

  /** A step that can't be met is left as it is, with a reason that stands in the journal. */
  let { move, step, title }: { move: number; step: string; title: string } = $props();
  const client = useQueryClient();
  let asking = $state(false);
  let reason = $state('');
  const leave = createMutation(() => ({
    mutationFn: () =>
      ask(
        api.POST('/api/moves/{id}/accept', {
          params: { path: { id: move } },
          body: { step, reason },
        }),
      ),
    onSuccess: () => (asking = false),
    onSettled: () => refresh(client, 'desk', 'moves', 'hands'),
  }));
</script>

<Notice>
  <Trouble error={leave.error} />
  {#if asking}
    <OneLine submit={() => leave.mutate()}>
      <Field id="why-{step}" label={say.leave.why} bind:value={reason} required maxlength={400} />
      <Button color="alternative" type="submit" disabled={leave.isPending || !reason.trim()}
        >{say.leave.leaveIt}</Button
      >
      <Button color="alternative" onclick={() => (asking = false)}>{say.leave.not}</Button>
    </OneLine>
  {:else}
    <p>
      {say.leave.canNotBeMet(title)}
      <Button size="sm" color="alternative" onclick={() => (asking = true)}
        >{say.leave.leaveAsIs}</Button
      >
    </p>
  {/if}
</Notice>
