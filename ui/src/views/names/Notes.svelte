<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask, type NameSheet } from '../../lib/api';
  import Sentence from '../../parts/Sentence.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import May from '../../parts/May.svelte';
  import NoteFields from './NoteFields.svelte';
  import { worded } from '../../lib/facts';
  import { say } from '../../lib/say';

  /** What a person knows and no connection tells. */
  let { sheet, queryKey }: { sheet: NameSheet; queryKey: unknown[] } = $props();
  const client = useQueryClient();
  const kinds = createQuery(() => ({
    queryKey: ['note-kinds'],
    queryFn: () => ask(api.GET('/api/note-kinds')),
    staleTime: Infinity,
  }));
  type Noted = { key: string; value: string | boolean | string[] | null };
  let given = $state<{ key: string; value: string | boolean | string[] }>();
  let fields = $state<ReturnType<typeof NoteFields>>();
  const noted = $derived(sheet.facts.filter((f) => f.source === 'hand'));
  const title = (key: string) => kinds.data?.kinds.find((k) => k.key === key)?.title ?? key;
  const note = createMutation(() => ({
    mutationFn: (body: Noted) =>
      ask(api.POST('/api/names/{name}/note', { params: { path: { name: sheet.name } }, body })),
    onSuccess: () => {
      fields?.clear();
      void client.invalidateQueries({ queryKey });
      void client.invalidateQueries({ queryKey: ['names'] });
    },
  }));

  function submit(e: SubmitEvent) {
    e.preventDefault();
    if (given) note.mutate(given);
  }
</script>

<May operation="note"
  ><details>
    <summary>{say.notes.noteSomething}</summary>
    <form class="inline" onsubmit={submit}>
      <NoteFields bind:noted={given} bind:this={fields} />
      <Button type="submit" color="alternative" size="sm" disabled={note.isPending}
        >{say.notes.noteIt}</Button
      >
    </form>
  </details></May
>
<Trouble error={note.error} />
{#each noted as fact (fact.key)}
  <p>
    {title(fact.key)}:
    <strong><Sentence text={worded(fact.value)} /></strong>
    <span class="muted">({fact.ref})</span>
    <May operation="note"
      ><button class="link" onclick={() => note.mutate({ key: fact.key, value: null })}
        >{say.notes.takeBack}</button
      ></May
    >
  </p>
{/each}
