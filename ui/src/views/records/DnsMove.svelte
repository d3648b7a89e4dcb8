<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import Choice from '../../parts/Choice.svelte';
  import May from '../../parts/May.svelte';
  import Sentence from '../../parts/Sentence.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';

  /** The DNS of several names to one host at once. */
  let { names }: { names: string[] } = $props();
  const client = useQueryClient();
  const places = createQuery(() => ({
    queryKey: ['accounts'],
    queryFn: () => ask(api.GET('/api/accounts')),
  }));
  const hosts = $derived((places.data?.hosts ?? []).filter((h) => !h.ends_with));
  let chosen = $state('');
  const host = $derived(chosen);
  const start = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/records/move-dns', { body: { names, host } })),
    onSuccess: () => refresh(client, 'records', 'moves', 'desk'),
  }));
  const left = $derived(start.data?.fates.filter((f) => f.why) ?? []);
</script>

<May operation="moveDns">
  <section class="box raised grid gap-2 p-4 mt-4 max-w-[46rem]" aria-label={say.dnsMove.title}>
    <h2>{say.dnsMove.title}</h2>
    <p class="muted">{say.dnsMove.about(names.length)}</p>
    <Choice
      id="dm-host"
      label={say.dnsMove.host}
      of={[['', say.dnsMove.choose] as const, ...hosts.map((h) => [h.id, h.title] as const)]}
      bind:value={() => host, (v) => (chosen = v)}
    />
    <div>
      <Button disabled={!host || start.isPending} onclick={() => start.mutate()}
        >{say.dnsMove.start(names.length)}</Button
      >
    </div>
    <Trouble error={start.error ?? places.error} />
    {#if start.data}
      <p role="status">{say.dnsMove.started(start.data.fates.filter((f) => f.id).length)}</p>
      {#if left.length}
        <h3 class="font-semibold">{say.dnsMove.left}</h3>
        <ul>
          {#each left as f (f.name)}<li>
              <span class="mono">{f.name}</span>: <Sentence text={f.why!} />
            </li>{/each}
        </ul>
      {/if}
    {/if}
  </section>
</May>
