<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { untrack } from 'svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import Trouble from '../../parts/Trouble.svelte';
  import May from '../../parts/May.svelte';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';

  /**
   * A wrong match put right; later messages of this sender that read alike are taken the same way.
   */
  let { message, kinds }: { message: Schemas['Message']; kinds: { id: string; title: string }[] } =
    $props();
  const client = useQueryClient();
  let kind = $state(untrack(() => message.kind));
  let names = $state(untrack(() => message.names.join(', ')));
  let trust = $state(false);
  const correct = createMutation(() => ({
    mutationFn: () =>
      ask(
        api.POST('/api/post/{id}/correct', {
          params: { path: { id: message.id } },
          body: { kind, names: names.split(/[\s,;]+/).filter(Boolean), trust },
        }),
      ),
    onSuccess: () => refresh(client, 'post', 'moves', 'names', 'codes'),
  }));

  function submit(e: SubmitEvent) {
    e.preventDefault();
    correct.mutate();
  }
</script>

<May operation="correctMessage">
  <form class="inline" onsubmit={submit}>
    <label>
      {say.correct.itIs}
      <select class="plain" bind:value={kind}>
        {#each kinds as k (k.id)}<option value={k.id}>{k.title}</option>{/each}
      </select>
    </label>
    <label
      >{say.correct.about}
      <input
        class="plain mono"
        bind:value={names}
        maxlength="2000"
        placeholder={say.correct.nameElsewhere}
      /></label
    >
    {#if message.trust !== 'proven'}
      <label><input type="checkbox" bind:checked={trust} /> {say.correct.vouch}</label>
    {/if}
    <Button type="submit" size="sm" color="alternative" disabled={correct.isPending}
      >{say.correct.correctIt}</Button
    >
  </form>
  <Trouble error={correct.error} />
</May>
