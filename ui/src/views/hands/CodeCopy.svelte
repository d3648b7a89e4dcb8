<script lang="ts">
  import { createMutation } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { may } from '../../lib/session.svelte';
  import { say } from '../../lib/say';
  import Trouble from '../../parts/Trouble.svelte';

  /** The code of a name, for the clipboard alone; that it was taken stands in the journal. */
  let { name }: { name: string } = $props();
  let copied = $state(false);
  const code = createMutation(() => ({
    mutationFn: async () => {
      const path = { params: { path: { name } } };
      const answer = await ask(
        api.POST('/api/codes/{name}/reveal', { ...path, body: { copied: true } }),
      );
      await navigator.clipboard.writeText(answer.code);
    },
    onSuccess: () => (copied = true),
  }));
</script>

{#if may('revealCode')}
  <button class="link" type="button" disabled={code.isPending} onclick={() => code.mutate()}
    >{copied ? say.orders.codeCopied : say.orders.copyCode}</button
  >
  <Trouble error={code.error} />
{/if}
