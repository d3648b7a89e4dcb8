<script lang="ts">
  import { createMutation } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { may } from '../../lib/session.svelte';
  import { stamp } from '../../lib/words';
  import { p } from '../../router';
  import { say } from '../../lib/say';
  import MemberChange from './MemberChange.svelte';
  import Sentence from '../../parts/Sentence.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import TurnMark from '../../parts/TurnMark.svelte';

  /** The names of a batch: where each stands, held back, sent elsewhere or taken out. */
  let {
    id,
    members,
    reviewed = [],
    done,
  }: {
    id: number;
    members: Schemas['BatchMember'][];
    /** Those that the review shows. */
    reviewed?: string[];
    done: () => void;
  } = $props();
  const change = createMutation(() => ({
    mutationFn: (body: Schemas['BatchNames']) =>
      ask(api.POST('/api/batches/{id}/names', { params: { path: { id } }, body })),
    onSuccess: done,
  }));
  const shown = $derived(
    members.filter((m) => m.state !== 'dropped' && !reviewed.includes(m.name)),
  );
</script>

{#if shown.length}<h2>{say.batch.members}</h2>{/if}
<Trouble error={change.error} />
<ul aria-label={say.batch.members}>
  {#each shown as m (m.name)}
    <li class:held={m.state === 'held'}>
      {#if m.move}
        <a class="mono" href={p('/moves/:id', { params: { id: String(m.move.id) } })}>{m.unicode}</a
        >
        <span class="stage"
          >{#if m.move.turn}<TurnMark turn={m.move.turn} />{/if}{m.move.stage}</span
        >
        {#if !m.move.open && m.move.stage !== 'Settled' && may('changeBatchNames')}
          <span class="acts"
            ><button onclick={() => change.mutate({ go_on: [m.name] })}>{say.batch.tryAgain}</button
            ></span
          >
        {:else}
          <span class="num muted">{m.move.finish[2] ? stamp(m.move.finish[2], clock.now) : ''}</span
          >
        {/if}
      {:else}
        <a class="mono" href={p('/names/:name', { params: { name: m.name } })}>{m.unicode}</a>
        <span>{say.batch.states[m.state]}</span>
        {#if may('changeBatchNames')}
          <MemberChange {id} member={m} {done} />
        {/if}
      {/if}
      {#if m.says}<p class="why"><Sentence text={m.says} /></p>{/if}
    </li>
  {/each}
</ul>

<style>
  h2 {
    margin: 16px 0 4px;
  }
  li {
    display: grid;
    grid-template-columns: minmax(10rem, 20rem) minmax(7rem, 12rem) minmax(0, 1fr);
    gap: 2px 16px;
    align-items: center;
    padding: 4px 0;
    border-top: 1px solid var(--line);
    overflow-wrap: anywhere;
  }
  .stage {
    display: inline-flex;
    gap: 8px;
    align-items: center;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 16px;
    align-items: center;
  }
  .acts button {
    cursor: pointer;
    color: var(--loden);
    text-decoration: underline;
  }
  .why {
    grid-column: 1 / -1;
    color: var(--madder);
  }
  @media (max-width: 800px) {
    li {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
