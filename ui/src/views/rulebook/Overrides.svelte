<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api';
  import { session } from '../../lib/session.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';

  let { overrides }: { overrides: Schemas['Rulebook']['overrides'] } = $props();
  const client = useQueryClient();
  const back = createMutation(() => ({
    mutationFn: (id: number) => ask(api.POST('/api/rulebook/overrides/{id}/take-back', { params: { path: { id } } })),
    onSuccess: () => client.invalidateQueries(),
  }));
</script>

<section class="panel">
  <h2>This site’s own words</h2>
  <Trouble error={back.error} />
  {#each overrides as o (o.id)}
    <p class:gone={o.taken_back_at}>
      For <span class="mono">.{o.suffix}</span>, {o.key} is <strong>{o.value}</strong> ({o.source}, {o.date}); said by {o.by},
      <When at={o.at} />{#if o.taken_back_at}; taken back <When at={o.taken_back_at} />{/if}.
      {#if !o.taken_back_at && session.who?.role === 'administrator'}
        <button class="link" disabled={back.isPending} onclick={() => back.mutate(o.id)}>Take it back</button>
      {/if}
    </p>
  {:else}
    <p class="muted">Nothing is overruled here: the rulebook holds as it was shipped.</p>
  {/each}
</section>

<style>
  p {
    margin: 0.3rem 0;
  }
  .gone {
    color: var(--muted);
  }
</style>
