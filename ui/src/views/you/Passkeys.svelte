<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button, Input, Label } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import { addPasskey, passkeysWork } from '../../lib/passkeys';
  import Trouble from '../../parts/Trouble.svelte';
  import { full } from '../../lib/words';
  import Whose from './Whose.svelte';
  import { say } from '../../lib/say';

  let { me }: { me: Schemas['Me'] } = $props();
  const client = useQueryClient();
  const works = passkeysWork();
  let title = $state('');
  let password = $state('');
  let removing = $state<string | null>(null);

  function done() {
    title = password = '';
    removing = null;
    void client.invalidateQueries({ queryKey: ['me'] });
  }
  const add = createMutation(() => ({
    mutationFn: () => addPasskey(title, password),
    onSuccess: done,
  }));
  const remove = createMutation(() => ({
    mutationFn: (id: string) =>
      ask(api.POST('/api/passkeys/remove', { body: { webauthn_remove: id, password } })),
    onSuccess: done,
  }));

  function submit(e: SubmitEvent) {
    e.preventDefault();
    if (removing) remove.mutate(removing);
    else add.mutate();
  }
</script>

<section>
  <h2>{say.you.passkeys}</h2>
  <p class="muted">{say.you.whatAPasskeyIs}</p>
  <Trouble error={add.error ?? remove.error} />
  {#if me.passkeys.length}
    <ul>
      {#each me.passkeys as k (k.id)}
        <li>
          <strong>{k.title || say.you.unnamed}</strong>
          <span class="muted">{say.you.lastUsed(full(k.last_use))}</span>
          <button class="link" onclick={() => (removing = removing === k.id ? null : k.id)}
            >{removing === k.id ? say.you.keepIt : say.you.remove(k.title)}</button
          >
        </li>
      {/each}
    </ul>
  {/if}
  {#if works || removing}
    <form onsubmit={submit}>
      <Whose />
      {#if !removing}
        <div>
          <Label for="k-title">{say.you.deviceName}</Label>
          <Input id="k-title" autocomplete="off" maxlength={60} required bind:value={title} />
        </div>
      {/if}
      <div>
        <Label for="k-pw">{say.you.ownPassword}</Label>
        <Input
          id="k-pw"
          type="password"
          autocomplete="current-password"
          required
          bind:value={password}
        />
      </div>
      <div>
        <Button type="submit" color="alternative" disabled={add.isPending || remove.isPending}
          >{removing ? say.you.dropPasskey : say.you.addPasskey}</Button
        >
      </div>
    </form>
  {:else}
    <p>{say.you.passkeysMissing(location.port)}</p>
  {/if}
</section>
