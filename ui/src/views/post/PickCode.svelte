<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { untrack } from 'svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import May from '../../parts/May.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';

  /**
   * Several pieces of a message may be a code: a person says which one it is, and of which name.
   */
  let { message: m }: { message: Schemas['Message'] } = $props();
  const client = useQueryClient();
  let index = $state(0);
  let name = $state(untrack(() => m.names[0] ?? ''));
  const choose = createMutation(() => ({
    mutationFn: () =>
      ask(
        api.POST('/api/post/{id}/code', {
          params: { path: { id: m.id } },
          body: { index: Number(index), name },
        }),
      ),
    onSuccess: () => refresh(client, 'post', 'moves', 'names', 'codes'),
  }));

  function submit(e: SubmitEvent) {
    e.preventDefault();
    choose.mutate();
  }
</script>

<May operation="chooseCode">
  <form class="inline" onsubmit={submit}>
    <label>
      {say.pickCode.codeBegins}
      <select class="plain mono" bind:value={index}>
        {#each m.codes as code, i (i)}<option value={i}
            >{say.pickCode.masked(i + 1, code.length, code.ends)}</option
          >{/each}
      </select>
    </label>
    <label
      >{say.pickCode.of}
      <input class="plain mono" bind:value={name} required maxlength="253" /></label
    >
    <Button type="submit" size="xs" color="alternative" disabled={choose.isPending}
      >{say.pickCode.keepIt}</Button
    >
  </form>
  <Trouble error={choose.error} />
</May>
