<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api';
  import ForGood from '../../parts/ForGood.svelte';
  import Field from '../../parts/Field.svelte';
  import SecretList from '../../parts/SecretList.svelte';
  import When from '../../parts/When.svelte';
  import { say } from '../../lib/say';

  /** Lines of the journal that are told to other programs. */
  const client = useQueryClient();
  const page = createQuery(() => ({
    queryKey: ['people', 'webhooks'],
    queryFn: () => ask(api.GET('/api/webhooks')),
  }));
  let url = $state('');
  let types = $state<string[]>(['planned', 'problem', 'settled']);
  const set = (data: Schemas['HooksPage']) => client.setQueryData(['people', 'webhooks'], data);
  const add = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/webhooks', { body: { url, types } })),
    onSuccess: (data) => {
      set({ ...data, secret: null });
      url = '';
    },
  }));
  const remove = createMutation(() => ({
    mutationFn: (id: number) =>
      ask(api.POST('/api/webhooks/{id}/end', { params: { path: { id } } })),
    onSuccess: set,
  }));
</script>

<SecretList
  words={{
    title: say.webhooks.title,
    about: say.webhooks.about,
    once: say.webhooks.once,
    none: say.webhooks.none,
    add: say.webhooks.add,
  }}
  rows={page.data?.hooks}
  error={page.error ?? add.error ?? remove.error}
  secret={add.data?.secret}
  busy={add.isPending || !types.length}
  add={() => add.mutate()}
>
  {#snippet row(h)}
    <span class="mono">{h.url}</span> <span class="muted">{h.types.join(', ')}</span>
    {#if h.fails}<span class="text-madder"
        >{say.webhooks.fails(h.fails)}: {h.says}
        {#if h.next_at}{say.webhooks.next} <When at={h.next_at} bare />{/if}</span
      >{/if}
    <ForGood
      quiet
      label={say.webhooks.remove}
      named={say.webhooks.removeOf(h.url)}
      yes={say.webhooks.confirmRemoval}
      act={() => remove.mutate(h.id)}
    />
  {/snippet}
  {#snippet fields()}
    <Field id="w-url" label={say.webhooks.url} mono required bind:value={url} />
    <fieldset class="flex flex-wrap gap-y-1 gap-x-4">
      <legend>{say.webhooks.types}</legend>
      {#each page.data?.types ?? [] as t (t)}
        <label><input type="checkbox" value={t} bind:group={types} /> {t}</label>
      {/each}
    </fieldset>
  {/snippet}
</SecretList>
