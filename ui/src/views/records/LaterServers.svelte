<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import Field from '../../parts/Field.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';

  /** Name servers that come by mail after sign-up: taken from that mail, or typed. */
  let { host }: { host: string } = $props();
  const client = useQueryClient();
  const path = $derived({ params: { path: { id: host } } });
  const found = createQuery(() => ({
    queryKey: ['hands', 'servers', host],
    queryFn: () => ask(api.GET('/api/hosts/{id}/servers', path)),
  }));
  let typed = $state('');
  const tell = createMutation(() => ({
    mutationFn: (servers: string[]) =>
      ask(api.POST('/api/hosts/{id}/servers', { ...path, body: { servers } })),
    onSettled: () => refresh(client, 'records', 'moves', 'desk'),
  }));
  function keep(e: SubmitEvent) {
    e.preventDefault();
    tell.mutate(typed.split(/[\s,]+/).filter(Boolean));
  }
</script>

<Trouble error={tell.error ?? found.error} />
{#if found.data?.servers.length}
  <p>
    {say.laterServers.found}: <span class="mono">{found.data.servers.join(', ')}</span>
    <Button
      color="alternative"
      size="sm"
      disabled={tell.isPending}
      onclick={() => tell.mutate(found.data?.servers ?? [])}>{say.laterServers.take}</Button
    >
  </p>
{:else}<p class="muted">{say.laterServers.none}</p>{/if}
<form class="flex flex-wrap items-end gap-2" onsubmit={keep}>
  <Field id="ls-typed" label={say.laterServers.type} mono required bind:value={typed} />
  <Button size="sm" type="submit" color="alternative" disabled={tell.isPending}
    >{say.laterServers.keep}</Button
  >
</form>
