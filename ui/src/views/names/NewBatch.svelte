<script lang="ts">
  import { createMutation, createQuery } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { searchParams } from 'sv-router';
  import { api, ask, type Schemas } from '../../lib/api';
  import { hold, picked } from '../../lib/tray.svelte';
  import { navigate } from '../../router';
  import { say } from '../../lib/say';
  import AimsFields from './AimsFields.svelte';
  import Choice from '../../parts/Choice.svelte';
  import Field from '../../parts/Field.svelte';
  import May from '../../parts/May.svelte';
  import Ready from './Ready.svelte';
  import Sheet from '../../parts/Sheet.svelte';
  import Trouble from '../../parts/Trouble.svelte';

  /** A batch is made of what the tray holds; what it would do and cost is shown next. */
  const names = $derived(picked());
  const places = createQuery(() => ({
    queryKey: ['accounts'],
    queryFn: () => ask(api.GET('/api/accounts')),
  }));
  const to = $derived(
    String(searchParams.get('to') ?? '') ||
      places.data?.usual_destination ||
      places.data?.accounts[0]?.id ||
      '',
  );
  const hosts = $derived((places.data?.hosts ?? []).filter((h) => !h.ends_with));
  const host = $derived(String(searchParams.get('host') ?? ''));
  let title = $state('');
  let aims = $state<Schemas['Aims']>({});
  const usual = $derived(places.data?.accounts.find((a) => a.id === to)?.aims ?? {});
  const ready = createQuery(() => ({
    queryKey: ['ready', to],
    queryFn: () => ask(api.GET('/api/accounts/{id}/ready', { params: { path: { id: to } } })),
    enabled: Boolean(to),
  }));
  const make = createMutation(() => ({
    mutationFn: () =>
      ask(
        api.POST('/api/batches', {
          body: { names, to, host: host || null, aims, ...(title && { title }) },
        }),
      ),
    onSuccess: (made) => {
      hold([]);
      void navigate('/batches/:id', { params: { id: String(made.id) } });
    },
  }));
</script>

<Sheet title={say.newBatch.title(names.length)} back="/names">
  <Trouble error={places.error ?? make.error} />
  {#if !names.length}<p>{say.newBatch.empty}</p>{:else if places.data}
    <div class="choices">
      <Field id="b-title" label={say.newBatch.called} bind:value={title} maxlength={80} />
      <Choice
        id="b-to"
        label={say.newBatch.to}
        of={places.data.accounts.map((a) => [a.id, a.title] as const)}
        bind:value={() => to, (v) => searchParams.set('to', v)}
      />
      <Choice
        id="b-host"
        label={say.newBatch.host}
        of={[['', say.newBatch.noHost] as const, ...hosts.map((h) => [h.id, h.title] as const)]}
        bind:value={() => host, (v) => searchParams.set('host', v)}
      />
    </div>
    <AimsFields id="b-aims" {usual} bind:aims />
    {#if ready.data}
      <Ready
        account={to}
        checks={ready.data.checks}
        currency="EUR"
        done={() => void ready.refetch()}
      />
    {/if}
    <p class="muted">{say.newBatch.historyEmpty}</p>
    <May operation="newBatch"
      ><Button color="alternative" disabled={make.isPending} onclick={() => make.mutate()}
        >{say.newBatch.make}</Button
      ></May
    >
  {/if}
</Sheet>
