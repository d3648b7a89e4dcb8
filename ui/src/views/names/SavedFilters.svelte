<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import { filters, showOnly } from '../../lib/list';
  import { may } from '../../lib/session.svelte';
  import Field from '../../parts/Field.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { say } from '../../lib/say';

  /** Filters that were kept by name: one’s own, and the team’s. */
  const client = useQueryClient();
  const saved = createQuery(() => ({
    queryKey: ['people', 'filters'],
    queryFn: () => ask(api.GET('/api/filters')),
  }));
  let title = $state('');
  let team = $state(false);
  const now = $derived(filters());
  type Kept = { title: string; filters: string | null; team: boolean };
  const keep = createMutation(() => ({
    mutationFn: ({ team, ...body }: Kept) =>
      ask(team ? api.POST('/api/filters/team', { body }) : api.POST('/api/filters', { body })),
    onSuccess: (all) => {
      title = '';
      client.setQueryData(['people', 'filters'], all);
    },
  }));
  const lists = $derived(
    saved.data
      ? [
          { team: false, name: say.savedFilters.own, list: saved.data.own },
          { team: true, name: say.savedFilters.team, list: saved.data.team },
        ].filter((l) => l.list.length)
      : [],
  );
</script>

<div class="grid gap-2 border-t border-t-line pt-2">
  {#each lists as l (l.name)}
    <p class="note muted">{l.name}</p>
    <ul>
      {#each l.list as f (f.title)}
        <li class="flex justify-between gap-4">
          <button
            type="button"
            class="link wrap-anywhere text-left"
            aria-pressed={f.filters === now}
            title={l.team ? say.savedFilters.by(f.by) : undefined}
            onclick={() => showOnly(f.filters)}>{f.title}</button
          >
          {#if !l.team || may('keepTeamFilter')}<button
              type="button"
              class="link muted"
              aria-label={say.savedFilters.forgetOf(f.title)}
              onclick={() => keep.mutate({ title: f.title, filters: null, team: l.team })}
              >{say.savedFilters.forget}</button
            >{/if}
        </li>
      {/each}
    </ul>
  {/each}
  <Trouble error={saved.error ?? keep.error} />
  {#if now}
    <form
      class="grid gap-2"
      onsubmit={(e) => {
        e.preventDefault();
        keep.mutate({ title, filters: now, team });
      }}
    >
      <Field id="filter-title" label={say.savedFilters.keepAs} bind:value={title} maxlength={60} />
      {#if may('keepTeamFilter')}
        <label><input type="checkbox" bind:checked={team} /> {say.savedFilters.forTeam}</label>
      {/if}
      <p>
        <Button
          size="sm"
          color="alternative"
          type="submit"
          disabled={keep.isPending || !title.trim()}>{say.savedFilters.keep}</Button
        >
      </p>
    </form>
  {/if}
</div>
