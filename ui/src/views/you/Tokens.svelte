<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api';
  import { day } from '../../lib/words';
  import Choice from '../../parts/Choice.svelte';
  import ForGood from '../../parts/ForGood.svelte';
  import Field from '../../parts/Field.svelte';
  import SecretList from '../../parts/SecretList.svelte';
  import When from '../../parts/When.svelte';
  import { say } from '../../lib/say';

  /** Tokens with which programs ask the desk in one’s own name. */
  const client = useQueryClient();
  const page = createQuery(() => ({
    queryKey: ['people', 'tokens'],
    queryFn: () => ask(api.GET('/api/me/tokens')),
  }));
  let title = $state('');
  let role = $state('viewer');
  let days = $state('90');
  const set = (data: Schemas['TokensPage']) => client.setQueryData(['people', 'tokens'], data);
  const make = createMutation(() => ({
    mutationFn: () =>
      ask(
        api.POST('/api/me/tokens', {
          body: { title, role: role as Schemas['NewToken']['role'], days: Number(days) || 90 },
        }),
      ),
    onSuccess: (data) => {
      set({ ...data, token: null });
      title = '';
    },
  }));
  const end = createMutation(() => ({
    mutationFn: (id: number) =>
      ask(api.POST('/api/me/tokens/{id}/end', { params: { path: { id } } })),
    onSuccess: set,
  }));
</script>

<SecretList
  words={{
    title: say.tokens.title,
    about: say.tokens.about,
    once: say.tokens.once,
    none: say.tokens.none,
    add: say.tokens.make,
  }}
  rows={page.data?.tokens}
  error={page.error ?? make.error ?? end.error}
  secret={make.data?.token}
  busy={make.isPending}
  add={() => make.mutate()}
>
  {#snippet row(t)}
    <strong>{t.title}</strong> <span>{t.role}</span>
    <span class="muted"
      >{t.over ? say.tokens.over : `${say.tokens.until} ${day(t.expires_at)}`}</span
    >
    <span class="muted"
      >{#if t.used_at}{say.tokens.used} <When at={t.used_at} bare />{:else}{say.tokens
          .never}{/if}</span
    >
    {#if !t.over}
      <ForGood
        quiet
        label={say.tokens.end}
        named={say.tokens.endOf(t.title)}
        yes={say.tokens.yesEnd}
        act={() => end.mutate(t.id)}
      />
    {/if}
  {/snippet}
  {#snippet fields()}
    <Field id="t-title" label={say.tokens.what} required maxlength={80} bind:value={title} />
    <Choice
      id="t-role"
      label={say.tokens.role}
      of={(page.data?.roles ?? []).map((r) => [r, r] as const)}
      bind:value={role}
    />
    <Field id="t-days" label={say.tokens.days} type="number" bind:value={days} />
  {/snippet}
</SecretList>
