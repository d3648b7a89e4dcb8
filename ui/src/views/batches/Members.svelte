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

{#if shown.length}<h2 class="mt-4 mb-1 mx-0">{say.batch.members}</h2>{/if}
<Trouble error={change.error} />
<ul aria-label={say.batch.members}>
  {#each shown as m (m.name)}
    <li
      class="grid grid-cols-[minmax(10rem,20rem)_minmax(7rem,12rem)_minmax(0,1fr)] gap-y-0.5
        gap-x-4 items-center py-1 px-0 border-t border-t-line wrap-anywhere
        max-[800px]:grid-cols-1"
      class:held={m.state === 'held'}
    >
      {#if m.move}
        <a class="mono" href={p('/moves/:id', { params: { id: String(m.move.id) } })}>{m.unicode}</a
        >
        <span class="stage inline-flex gap-2 items-center"
          >{#if m.move.turn}<TurnMark turn={m.move.turn} />{/if}{m.move.stage}</span
        >
        {#if !m.move.open && m.move.stage !== 'Settled' && may('changeBatchNames')}
          <span class="acts gap-y-1"
            ><button
              class="cursor-pointer text-loden underline"
              onclick={() => change.mutate({ go_on: [m.name] })}>{say.batch.tryAgain}</button
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
      {#if m.says}<p class="col-span-full text-madder"><Sentence text={m.says} /></p>{/if}
    </li>
  {/each}
</ul>
