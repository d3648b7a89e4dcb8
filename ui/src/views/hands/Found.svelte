<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { refresh } from '../../lib/live.svelte';
  import { may } from '../../lib/session.svelte';
  import { say } from '../../lib/say';
  import Trouble from '../../parts/Trouble.svelte';

  /**
   * Where an act is on a registrar’s pages, in the words of whoever found it; kept for the next
   * time.
   */
  let { account, act, found }: { account: string; act: string; found?: string | null } = $props();
  const client = useQueryClient();
  let words = $state('');
  let open = $state(false);
  const keep = createMutation(() => ({
    mutationFn: () =>
      ask(
        api.POST('/api/accounts/{id}/where', {
          params: { path: { id: account } },
          body: { act, words },
        }),
      ),
    onSuccess: () => {
      open = false;
      void refresh(client, 'desk', 'moves', 'hands');
    },
  }));
  const submit = (e: SubmitEvent) => {
    e.preventDefault();
    keep.mutate();
  };
</script>

{#if open}
  <form class="flex flex-wrap gap-2 items-center" onsubmit={submit}>
    <input
      class="plain flex-[1_1_14rem]"
      maxlength="200"
      aria-label={say.found.whereIsIt}
      placeholder={say.found.suchAs}
      bind:value={words}
    />
    <button class="link">{say.found.keepIt}</button>
    <button class="link" type="button" onclick={() => (open = false)}>{say.found.leaveIt}</button>
  </form>
{:else}
  <p class="muted">
    {#if found}{say.found.itIsAt} <strong>{found}</strong>{/if}
    {#if may('noteWhere')}
      <button
        class="link"
        onclick={() => {
          words = found ?? '';
          open = true;
        }}>{found ? say.found.change : say.found.noteWhereTitle}</button
      >
    {/if}
  </p>
{/if}
<Trouble error={keep.error} />
