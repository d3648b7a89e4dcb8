<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api';
  import { refresh } from '../../lib/live.svelte';
  import { may } from '../../lib/session.svelte';
  import { say } from '../../lib/say';
  import Trouble from '../../parts/Trouble.svelte';

  /** Habits of a registrar that showed on the way, offered to be kept; and what it asked for. */
  let { account, asking }: { account: string; asking: boolean } = $props();
  const client = useQueryClient();
  const path = $derived({ params: { path: { id: account } } });
  const ready = createQuery(() => ({
    queryKey: ['ready', account],
    queryFn: () => ask(api.GET('/api/accounts/{id}/ready', path)),
  }));
  const keep = createMutation(() => ({
    mutationFn: (body: Schemas['LearntKept']) =>
      ask(api.POST('/api/accounts/{id}/learnt', { ...path, body })),
    onSuccess: () => refresh(client, 'accounts', 'names', 'hands'),
  }));
</script>

{#if may('keepLearnt')}
  {#each ready.data?.learnt ?? [] as l (l.key)}
    <p class="muted">
      {l.says}
      <button class="link" onclick={() => keep.mutate({ key: l.key })}>{say.learnt.keep}</button>
    </p>
  {/each}
  {#if asking}
    <p class="muted asked flex flex-wrap gap-x-4">
      {say.learnt.askedFor}
      {#each say.learnt.asks as [what, words] (what)}
        <button class="link" onclick={() => keep.mutate({ asks: what })}>{words}</button>
      {/each}
    </p>
  {/if}
{/if}
<Trouble error={keep.error} />
