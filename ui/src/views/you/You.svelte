<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import Together from '../../parts/Together.svelte';
  import Head from '../../parts/Head.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import Authenticator from './Authenticator.svelte';
  import Passkeys from './Passkeys.svelte';
  import Calendar from './Calendar.svelte';
  import Notices from './Notices.svelte';
  import Tokens from './Tokens.svelte';
  import Password from './Password.svelte';
  import RecoveryCodes from './RecoveryCodes.svelte';
  import Sessions from './Sessions.svelte';
  import { say } from '../../lib/say';

  const me = createQuery(() => ({ queryKey: ['me'], queryFn: () => ask(api.GET('/api/me')) }));
</script>

<main class="sections max-w-[56rem]">
  <Head
    title={say.you.signInTitle}
    answer={me.data ? say.you.asWhom(me.data.email, me.data.role) : undefined}
  />
  <Trouble error={me.error} />
  {#if me.data}
    <Sessions me={me.data} />
    <Together>
      <Calendar />
      <Notices />
      <Tokens />
      <Password />
      <Authenticator set={me.data.authenticator} asked={me.data.second_factor} />
      <Passkeys me={me.data} />
      {#if me.data.second_factor}<RecoveryCodes left={me.data.recovery_codes} />{/if}
    </Together>
  {/if}
</main>

<style>
  main :global(form) {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    align-items: end;
  }
</style>
