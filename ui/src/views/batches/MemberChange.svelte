<script lang="ts">
  import { createMutation, createQuery } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api';
  import Panel from '../../parts/Panel.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { say } from '../../lib/say';

  /** A name of a batch that has not begun: sent elsewhere, held back or taken out. */
  let { id, member, done }: { id: number; member: Schemas['BatchMember']; done: () => void } =
    $props();
  const places = createQuery(() => ({
    queryKey: ['accounts'],
    queryFn: () => ask(api.GET('/api/accounts')),
  }));
  const change = createMutation(() => ({
    mutationFn: (body: Schemas['BatchNames']) =>
      ask(api.POST('/api/batches/{id}/names', { params: { path: { id } }, body })),
    onSuccess: done,
  }));
  const send = (to: string) =>
    change.mutate({ own: { [member.name]: to ? { ...member.own, to } : {} } });
</script>

<Panel label={say.batch.change} right>
  <label
    >{say.batch.elsewhere}
    <select class="plain" value={member.own.to ?? ''} onchange={(e) => send(e.currentTarget.value)}>
      <option value="">{say.batch.usual}</option>
      {#each places.data?.accounts ?? [] as a (a.id)}<option value={a.id}>{a.title}</option>{/each}
    </select></label
  >
  {#if member.state === 'held'}
    <button class="link" onclick={() => change.mutate({ go_on: [member.name] })}
      >{say.batch.release}</button
    >
  {:else}
    <button class="link" onclick={() => change.mutate({ hold: [member.name] })}
      >{say.batch.hold}</button
    >
  {/if}
  <button class="link" onclick={() => change.mutate({ drop: [member.name] })}
    >{say.batch.drop}</button
  >
  <Trouble error={change.error} />
</Panel>
