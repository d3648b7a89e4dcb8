<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api';
  import { may } from '../../lib/session.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';

  let {
    overrides,
    titles,
  }: { overrides: Schemas['Rulebook']['overrides']; titles: Record<string, string> } = $props();
  const client = useQueryClient();
  const back = createMutation(() => ({
    mutationFn: (id: number) =>
      ask(api.POST('/api/rulebook/overrides/{id}/take-back', { params: { path: { id } } })),
    onSuccess: () => refresh(client, 'rulebook', 'names'),
  }));
</script>

<section class="panel">
  <h2>{say.overrides.ownRules}</h2>
  <Trouble error={back.error} />
  {#each overrides as o (o.id)}
    <p class="my-1 mx-0" class:gone={o.taken_back_at}>
      {say.overrides.for} <span class="mono">.{o.suffix}</span>{say.overrides.is(
        titles[o.key] ?? o.key,
      )}
      <strong>{o.value}</strong>
      {say.overrides.saidBy(o.source, o.date, o.by)}
      <When at={o.at} />{#if o.taken_back_at}{say.overrides.takenBack}
        <When at={o.taken_back_at} />{/if}.
      {#if !o.taken_back_at && may('takeBackOverride')}
        <button class="link" disabled={back.isPending} onclick={() => back.mutate(o.id)}
          >{say.overrides.withdraw}</button
        >
      {/if}
    </p>
  {:else}
    <p class="muted my-1 mx-0">{say.overrides.overruledNone}</p>
  {/each}
</section>

<style>
  .gone {
    color: var(--muted);
  }
</style>
