<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api';
  import Choice from '../../parts/Choice.svelte';
  import { say } from '../../lib/say';
  import type { Mend } from './mend';

  /** What keeps several names from starting, mended for all of them at once. */
  let { rows, mend }: { rows: Schemas['BatchRow'][]; mend?: Mend | undefined } = $props();
  const lacking = $derived(rows.filter((r) => r.needs_host).map((r) => r.name));
  const late = $derived(rows.filter((r) => r.late && !r.startable).map((r) => r.name));
  const places = createQuery(() => ({
    queryKey: ['accounts'],
    queryFn: () => ask(api.GET('/api/accounts')),
    enabled: lacking.length > 0,
  }));
  const hosts = $derived((places.data?.hosts ?? []).filter((h) => !h.ends_with));
</script>

{#if mend && (lacking.length || late.length > 1)}
  <h2 class="mt-0 mb-2 mx-0">{say.batch.leftOut}</h2>
  {#if lacking.length}
    <Choice
      id="left-host"
      label={say.batch.hostFor(lacking.length)}
      of={[['', say.batch.chooseHost], ...hosts.map((h) => [h.id, h.title] as const)]}
      bind:value={() => '', (host) => host && mend(lacking, { host })}
    />
  {/if}
  {#if late.length > 1}
    <button type="button" class="link" onclick={() => mend(late, { late: 'renew' })}
      >{say.batch.renewAllFirst(late.length)}</button
    >
  {/if}
{/if}
