<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { p } from '../../router';
  import Sentence from '../../parts/Sentence.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';

  const status = createQuery(() => ({
    queryKey: ['status'],
    queryFn: () => ask(api.GET('/api/status')),
    refetchInterval: 15_000,
  }));
</script>

<main class="view">
  <h1>Status</h1>
  <Trouble error={status.error} />
  {#if status.data}
    {@const s = status.data}
    <dl>
      <dt>Version</dt>
      <dd>{s.version}</dd>
      <dt>Journal</dt>
      <dd>
        {s.journal_whole ? 'whole: every line fits the one before' : 'damaged: a line was changed behind its back'}
      </dd>
      <dt>Under way</dt>
      <dd>
        {s.open_moves}
        {s.open_moves === 1 ? 'move' : 'moves'}{#if s.next_look}, something is due <When at={s.next_look} />{/if}
      </dd>
    </dl>
    <h2>Connections</h2>
    <ul>
      {#each s.connections as c (c.title)}
        <li class:bad={!c.well}>
          <strong>{c.title}</strong> <span class="muted">{c.kind}</span>
          <span
            >{c.says}{#if c.heard_at}, <When at={c.heard_at} />{/if}</span
          >
        </li>
      {:else}
        <li class="muted">No account is connected yet.</li>
      {/each}
    </ul>
    <h2>Last problems</h2>
    <ul>
      {#each s.problems as problem, i (i)}
        <li>
          <When at={problem.at} bare />
          {#if problem.move_id}<a class="mono" href={p('/moves/:id', { params: { id: String(problem.move_id) } })}
              >{problem.name}</a
            >{/if}
          <span><Sentence text={problem.says} /></span>
        </li>
      {:else}
        <li class="muted">None.</li>
      {/each}
    </ul>
  {/if}
</main>

<style>
  ul {
    background: var(--sheet);
    border: 1px solid var(--line);
    border-radius: var(--radius);
  }
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 0.1rem 1.2rem;
    padding: 0.45rem 0.8rem;
    border-bottom: 1px solid var(--line);
    overflow-wrap: anywhere;
  }
  li:last-child {
    border-bottom: 0;
  }
  .bad {
    border-left: 4px solid var(--madder);
  }
</style>
