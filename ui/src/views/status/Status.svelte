<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { p } from '../../router';
  import Sentence from '../../parts/Sentence.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';
  import { say } from '../../lib/say';

  const status = createQuery(() => ({
    queryKey: ['status'],
    queryFn: () => ask(api.GET('/api/status')),
    refetchInterval: 15_000,
  }));
</script>

<main class="view">
  <h1>{say.status.status}</h1>
  <Trouble error={status.error} />
  {#if status.data}
    {@const s = status.data}
    <dl>
      <dt>{say.status.version}</dt>
      <dd>{s.version}</dd>
      <dt>{say.status.journal}</dt>
      <dd>
        {s.journal_whole ? say.status.wholeEveryLineFitsThe : say.status.damagedALineWasChanged}
      </dd>
      <dt>{say.status.underWay}</dt>
      <dd>
        {s.open_moves}
        {s.open_moves === 1 ? say.status.move : say.status.moves}{#if s.next_look}{say.status.somethingIsDue}
          <When at={s.next_look} />{/if}
      </dd>
    </dl>
    <h2>{say.status.connections}</h2>
    <ul class="box">
      {#each s.connections as c (c.title)}
        <li class:bad={!c.well}>
          <strong>{c.title}</strong> <span class="muted">{c.kind}</span>
          <span
            >{c.says}{#if c.heard_at}, <When at={c.heard_at} />{/if}</span
          >
        </li>
      {:else}
        <li class="muted">{say.status.noAccountIsConnectedYet}</li>
      {/each}
    </ul>
    <h2>{say.status.lastProblems}</h2>
    <ul class="box">
      {#each s.problems as problem, i (i)}
        <li>
          <When at={problem.at} bare />
          {#if problem.move_id}<a class="mono" href={p('/moves/:id', { params: { id: String(problem.move_id) } })}
              >{problem.name}</a
            >{/if}
          <span><Sentence text={problem.says} /></span>
        </li>
      {:else}
        <li class="muted">{say.status.none}</li>
      {/each}
    </ul>
  {/if}
</main>

<style>
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
