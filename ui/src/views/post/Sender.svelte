<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';
  import Trouble from '../../parts/Trouble.svelte';

  /** Does the registrar write from this domain? Asked once; the answer is kept with the account. */
  let {
    message,
    asked,
  }: { message: number; asked: NonNullable<Schemas['Message']['asks_sender']> } = $props();
  const client = useQueryClient();
  const answer = createMutation(() => ({
    mutationFn: (account: string | null) =>
      ask(
        api.POST('/api/post/{id}/sender', {
          params: { path: { id: message } },
          body: { account },
        }),
      ),
    onSuccess: () => refresh(client, 'post', 'moves', 'names', 'codes', 'accounts'),
  }));
  const only = $derived(asked.accounts.length === 1 ? asked.accounts[0] : undefined);
</script>

<section class="box py-2 px-4 grid gap-2">
  <p>
    <strong
      >{only
        ? say.sender.doesIt(only.title, asked.domain)
        : say.sender.whichOne(asked.domain)}</strong
    >
    <span class="muted">{asked.proven ? say.sender.sent(asked.domain) : say.sender.unproven}</span>
  </p>
  <p class="acts gap-2">
    {#each asked.accounts as account (account.id)}
      <Button
        size="xs"
        color="alternative"
        disabled={answer.isPending}
        onclick={() => answer.mutate(account.id)}>{only ? say.sender.yes : account.title}</Button
      >
    {/each}
    <Button
      size="xs"
      color="alternative"
      disabled={answer.isPending}
      onclick={() => answer.mutate(null)}>{only ? say.sender.no : say.sender.neither}</Button
    >
  </p>
  <Trouble error={answer.error} />
</section>
