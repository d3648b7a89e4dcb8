<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button, Input, Label } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import { session } from '../../lib/session.svelte';
  import Whose from './Whose.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { say } from '../../lib/say';

  const client = useQueryClient();
  let old = $state('');
  let chosen = $state('');
  const change = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/me/password', { body: { old, new: chosen } })),
    onSuccess: async (data) => {
      client.setQueryData(['me'], data);
      old = chosen = '';
      await session.load();
    },
  }));

  function submit(e: SubmitEvent) {
    e.preventDefault();
    change.mutate();
  }
</script>

<section>
  <h2>{say.you.password}</h2>
  <Trouble error={change.error} />
  {#if change.isSuccess}<p role="status">{say.you.passwordChanged}</p>{/if}
  <p class="muted">{say.you.passwordEnds}</p>
  <form onsubmit={submit}>
    <Whose />
    <div>
      <Label for="y-old">{say.you.currentPassword}</Label>
      <Input id="y-old" type="password" autocomplete="current-password" required bind:value={old} />
    </div>
    <div>
      <Label for="y-new">{say.you.theNewOne}</Label>
      <Input
        id="y-new"
        type="password"
        autocomplete="new-password"
        minlength={12}
        required
        bind:value={chosen}
      />
    </div>
    <div>
      <Button type="submit" color="alternative" disabled={change.isPending}>{say.you.change}</Button
      >
    </div>
  </form>
</section>
