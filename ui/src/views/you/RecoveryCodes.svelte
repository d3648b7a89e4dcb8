<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button, Input, Label } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import Copy from '../../parts/Copy.svelte';
  import Notice from '../../parts/Notice.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import Whose from './Whose.svelte';
  import { say } from '../../lib/say';

  let { left }: { left: number } = $props();
  const client = useQueryClient();
  let password = $state('');
  const make = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/recovery-codes', { body: { password } })),
    onSuccess: () => {
      password = '';
      void client.invalidateQueries({ queryKey: ['me'] });
    },
  }));

  function submit(e: SubmitEvent) {
    e.preventDefault();
    make.mutate();
  }
</script>

<section>
  <h2>{say.you.recoveryCodes}</h2>
  <p class="muted">{say.you.whatRecoveryCodesAre(left)}</p>
  <Trouble error={make.error} />
  {#if make.data}
    <Notice role="status">
      <p>{say.you.keepTheseCodes}</p>
      <p><Copy text={make.data.codes.join(' ')} what={say.you.recoveryCodes} /></p>
    </Notice>
  {/if}
  <form onsubmit={submit}>
    <Whose />
    <div>
      <Label for="c-pw">{say.you.ownPassword}</Label>
      <Input
        id="c-pw"
        type="password"
        autocomplete="current-password"
        required
        bind:value={password}
      />
    </div>
    <div>
      <Button type="submit" color="alternative" disabled={make.isPending}
        >{left ? say.you.makeNewCodes : say.you.makeCodes}</Button
      >
    </div>
  </form>
</section>
