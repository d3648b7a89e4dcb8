<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';
  import Choice from '../../parts/Choice.svelte';
  import Field from '../../parts/Field.svelte';
  import Trouble from '../../parts/Trouble.svelte';

  /**
   * Suffixes that no family lists, or that get a family of their own: like which one, what differs,
   * and from where.
   */
  let { book }: { book: Schemas['Rulebook'] } = $props();
  const client = useQueryClient();
  let suffixes = $state('');
  let like = $state('gtld');
  let title = $state('');
  let source = $state('');
  let date = $state('');
  let values = $state<Record<string, string>>({});
  const families = $derived(book.families.filter((f) => !f.overruled));
  const base = $derived(families.find((f) => f.id === like));
  const told = $derived(Object.fromEntries(Object.entries(values).filter(([, v]) => v.trim())));
  const add = createMutation(() => ({
    mutationFn: () =>
      ask(
        api.POST('/api/rulebook/suffixes', {
          body: {
            suffixes: suffixes.split(/[\s,;]+/).filter(Boolean),
            like,
            ...(title.trim() ? { title } : {}),
            values: told,
            source,
            date,
          },
        }),
      ),
    onSuccess: () => {
      suffixes = title = source = date = '';
      values = {};
      void refresh(client, 'rulebook', 'names');
    },
  }));
  const submit = (e: SubmitEvent) => {
    e.preventDefault();
    add.mutate();
  };
</script>

<section class="panel">
  <h2>{say.addSuffixes.title}</h2>
  <form
    class="grid grid-cols-[repeat(auto-fill,minmax(13rem,1fr))] gap-y-2 gap-x-4 items-end my-2
      mx-0"
    onsubmit={submit}
  >
    <Field id="s-suffixes" label={say.addSuffixes.suffixes} mono required bind:value={suffixes} />
    <Choice
      id="s-like"
      label={say.addSuffixes.like}
      of={families.map((f) => [f.id, f.title] as const)}
      bind:value={like}
    />
    <Field id="s-title" label={say.addSuffixes.ownTitle} maxlength={80} bind:value={title} />
    {#each base?.values ?? [] as v (v.key)}
      <Field
        id="s-{v.key}"
        label={say.addSuffixes.values[v.key] ?? v.key}
        placeholder={v.value ?? say.addSuffixes.none}
        bind:value={() => values[v.key] ?? '', (x) => (values[v.key] = x)}
      />
    {/each}
    <Field
      id="s-source"
      label={say.addSuffixes.source}
      required
      maxlength={300}
      bind:value={source}
    />
    <Field id="s-date" label={say.addSuffixes.of} type="date" required bind:value={date} />
    <div>
      <Button type="submit" color="alternative" disabled={add.isPending}
        >{say.addSuffixes.add}</Button
      >
    </div>
  </form>
  <Trouble error={add.error} />
</section>
