<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import Copy from '../../parts/Copy.svelte';
  import ForGood from '../../parts/ForGood.svelte';
  import Field from '../../parts/Field.svelte';
  import Trouble from '../../parts/Trouble.svelte';
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

<section>
  <h2>{say.webhooks.title}</h2>
  <p class="muted">{say.webhooks.about}</p>
  <Trouble error={page.error ?? add.error ?? remove.error} />
  {#if add.data?.secret}
    <p role="status">
      {say.webhooks.once}
      <Copy text={add.data.secret} what={say.webhooks.title} />
    </p>
  {/if}
  {#if page.data}
    <ul>
      {#each page.data.hooks as h (h.id)}
        <li>
          <span class="mono">{h.url}</span> <span class="muted">{h.types.join(', ')}</span>
          {#if h.fails}<span class="bad"
              >{say.webhooks.fails(h.fails)}: {h.says}
              {#if h.next_at}{say.webhooks.next} <When at={h.next_at} bare />{/if}</span
            >{/if}
          <ForGood
            quiet
            label={say.webhooks.remove}
            named={say.webhooks.removeOf(h.url)}
            yes={say.webhooks.yesRemove}
            act={() => remove.mutate(h.id)}
          />
        </li>
      {:else}<li class="muted">{say.webhooks.none}</li>{/each}
    </ul>
    <form
      onsubmit={(e) => {
        e.preventDefault();
        add.mutate();
      }}
    >
      <Field id="w-url" label={say.webhooks.url} mono required bind:value={url} />
      <fieldset>
        <legend>{say.webhooks.types}</legend>
        {#each page.data.types as t (t)}
          <label><input type="checkbox" value={t} bind:group={types} /> {t}</label>
        {/each}
      </fieldset>
      <Button type="submit" size="sm" color="alternative" disabled={add.isPending || !types.length}
        >{say.webhooks.add}</Button
      >
    </form>
  {/if}
</section>

<style>
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 0.2rem 1rem;
    padding: 0.25rem 0;
    overflow-wrap: anywhere;
  }
  .bad {
    color: var(--madder);
  }
  fieldset {
    display: flex;
    flex-wrap: wrap;
    gap: 0.2rem 1rem;
  }
</style>
