<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import Trouble from '../../parts/Trouble.svelte';
  import May from '../../parts/May.svelte';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';

  let { name }: { name: string } = $props();
  const client = useQueryClient();
  let code = $state('');
  const keep = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/hands/code', { body: { name, code } })),
    onSuccess: () => {
      code = '';
      void refresh(client, 'desk', 'moves', 'hands', 'codes');
    },
  }));

  function submit(e: SubmitEvent) {
    e.preventDefault();
    keep.mutate();
  }
</script>

<May operation="pasteCode">
  <form class="inline" onsubmit={submit}>
    <label for="code-{name}">{say.pasteCode.codeField}</label>
    <input
      id="code-{name}"
      class="plain mono"
      autocomplete="off"
      spellcheck="false"
      bind:value={code}
      required
      maxlength="300"
    />
    <Button type="submit" size="sm" color="alternative" disabled={keep.isPending}
      >{say.pasteCode.keepCode}</Button
    >
  </form>
  {#each keep.data?.says ?? [] as warning (warning)}<p class="muted">{warning}</p>{/each}
  <Trouble error={keep.error} />
</May>
