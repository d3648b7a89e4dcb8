<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button, Input, Label } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import { session } from '../../lib/session.svelte';
  import Whose from './Whose.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { say } from '../../lib/say';

  const client = useQueryClient();
  let old = $state('');
  let chosen = $state('');
  let keep = $state<number[]>([]);
  const tokens = createQuery(() => ({
    queryKey: ['people', 'tokens'],
    queryFn: () => ask(api.GET('/api/me/tokens')),
  }));
  const living = $derived((tokens.data?.tokens ?? []).filter((t) => !t.over));
  const change = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/me/password', { body: { old, new: chosen, keep } })),
    onSuccess: async (data) => {
      client.setQueryData(['me'], data);
      old = chosen = '';
      keep = [];
      await client.invalidateQueries({ queryKey: ['people', 'tokens'] });
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
    {#if living.length}
      <fieldset>
        <legend>{say.you.tokensEnd}</legend>
        {#each living as t (t.id)}
          <label><input type="checkbox" value={t.id} bind:group={keep} /> {t.title}</label>
        {/each}
      </fieldset>
    {/if}
    <div>
      <Button type="submit" color="alternative" disabled={change.isPending}>{say.you.change}</Button
      >
    </div>
  </form>
</section>
