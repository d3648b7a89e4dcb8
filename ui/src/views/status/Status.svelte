<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api';
  import { p } from '../../router';
  import Sentence from '../../parts/Sentence.svelte';
  import Head from '../../parts/Head.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';
  import { say } from '../../lib/say';

  const status = createQuery(() => ({
    queryKey: ['status'],
    queryFn: () => ask(api.GET('/api/status')),
    refetchInterval: 15_000,
  }));
  // What nobody knows yet is neither well nor bad.
  function head(s: Schemas['Status']): string {
    const told = s.checks.map((c) => c.well);
    const bad =
      told.filter((well) => well === false).length +
      s.connections.filter((c) => !c.well && c.heard_at).length +
      (s.journal_whole ? 0 : 1);
    const unknown =
      told.filter((well) => well === null).length + s.connections.filter((c) => !c.heard_at).length;
    return say.status.head(bad, unknown);
  }
</script>

<main class="view">
  <Head title={say.status.status} answer={status.data ? head(status.data) : undefined} />
  <Trouble error={status.error} />
  {#if status.data}
    {@const s = status.data}
    <table class="rows table-fixed">
      <caption class="hidden">{say.status.deskTitle}</caption>
      <tbody>
        <tr>
          <th scope="row">{say.status.version}</th>
          <td></td>
          <td>{s.version}</td>
        </tr>
        <tr>
          <th scope="row">{say.status.underWay}</th>
          <td></td>
          <td>
            {say.status.moves(s.open_moves)}{#if s.next_look}{say.status.dueNow}
              <When at={s.next_look} />{/if}
          </td>
        </tr>
        <tr class:bad={!s.journal_whole}>
          <th scope="row">{say.status.journal}</th>
          <td>{s.journal_whole ? say.status.well : say.status.notWell}</td>
          <td>
            {s.journal_whole
              ? say.status.whole(s.journal_lines, s.journal_of)
              : say.status.damaged(s.journal_lines)}
          </td>
        </tr>
        {#each s.checks as c, i (i)}
          <tr class:bad={c.well === false}>
            <th scope="row">{c.title}</th>
            <td
              >{c.well === null
                ? say.status.notKnown
                : c.well
                  ? say.status.well
                  : say.status.notWell}</td
            >
            <td
              >{c.says}{#if c.since && c.well === false}, {say.status.since}
                <When at={c.since} bare />{/if}</td
            >
          </tr>
        {/each}
      </tbody>
    </table>
    <h2>{say.status.connections}</h2>
    {#if s.connections.length}
      <table class="rows table-fixed">
        <thead>
          <tr>
            <th scope="col">{say.status.connection}</th>
            <th scope="col">{say.status.over}</th>
            <th scope="col">{say.status.said}</th>
            <th scope="col">{say.status.lastWell}</th>
          </tr>
        </thead>
        <tbody>
          {#each s.connections as c, i (i)}
            <tr class:bad={!c.well}>
              <th scope="row">{c.title}</th>
              <td>{c.kind}</td>
              <td
                >{c.says}{#if c.heard_at && !c.well}, <When at={c.heard_at} />{/if}</td
              >
              <td
                >{#if c.well_at}<When at={c.well_at} />{:else}{say.status.never}{/if}</td
              >
            </tr>
          {/each}
        </tbody>
      </table>
    {:else}
      <p class="muted">{say.status.connectionsEmpty}</p>
    {/if}
    <h2>{say.status.lastProblems}</h2>
    {#if s.problems.length}
      <table class="rows table-fixed">
        <thead>
          <tr>
            <th scope="col">{say.status.when}</th>
            <th scope="col">{say.status.name}</th>
            <th scope="col">{say.status.what}</th>
          </tr>
        </thead>
        <tbody>
          {#each s.problems as problem, i (i)}
            <tr>
              <td class="num"><When at={problem.at} bare /></td>
              <td>
                {#if problem.move_id}<a
                    class="mono"
                    href={p('/moves/:id', { params: { id: String(problem.move_id) } })}
                    >{problem.unicode}</a
                  >{/if}
              </td>
              <td><Sentence text={problem.says} /></td>
            </tr>
          {/each}
        </tbody>
      </table>
    {:else}
      <p class="muted">{say.status.none}</p>
    {/if}
  {/if}
</main>

<style>
  tr > :first-child {
    width: 18rem;
  }
  tr > :nth-child(2) {
    width: 18rem;
  }
  .bad th,
  .bad td:nth-child(2) {
    color: var(--madder);
  }
</style>
