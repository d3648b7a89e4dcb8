<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import Trouble from '../../parts/Trouble.svelte';
  import AccountForm from './AccountForm.svelte';
  import { accountForm } from './form';

  /** Fetches all of one account, then opens its form. */
  let { id, done }: { id: string; done: () => void } = $props();
  const account = createQuery(() => ({
    queryKey: ['account', id],
    queryFn: () => ask(api.GET('/api/accounts/{id}', { params: { path: { id } } })),
    gcTime: 0,
  }));
  const form = createQuery(accountForm);
</script>

<Trouble error={account.error ?? form.error} />
{#if account.data && form.data}<AccountForm
    held={account.data}
    habits={form.data.habits}
    {done}
  />{/if}
