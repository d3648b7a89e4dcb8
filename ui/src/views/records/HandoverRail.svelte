<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { stamp } from '../../lib/words';
  import Sentence from '../../parts/Sentence.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import TurnMark from '../../parts/TurnMark.svelte';
  import When from '../../parts/When.svelte';
  import { say } from '../../lib/say';

  /** The handover's instants as a strip: what is true until the next one, and the way back. */
  let { name, moving, leftAlone }: { name: string; moving: boolean; leftAlone: boolean } = $props();
  const handover = createQuery(() => ({
    queryKey: ['handover', name],
    queryFn: () => ask(api.GET('/api/records/{name}/handover', { params: { path: { name } } })),
  }));
  const h = $derived(handover.data?.handover);
  const instants = $derived(
    [...(h?.instants ?? [])].sort((a, b) => Date.parse(a.at) - Date.parse(b.at)),
  );
  const ends = $derived(instants.find((i) => i.id === 'retire_at')?.at);
  // While the old servers are still asked, from the switch until they may go.
  const both = (at: string) => {
    const from = instants.find((i) => i.id === 'switch_at')?.at;
    return from !== undefined && ends !== undefined && at >= from && at < ends;
  };
  // The stretch that the clock stands in; before a move none has begun.
  const present = $derived(
    moving ? instants.filter((i) => Date.parse(i.at) <= clock.now).length - 1 : -1,
  );
</script>

<Trouble error={handover.error} />
{#if h}
  {#if !moving}<p class="muted">{say.handoverRail.ifBegun}</p>{/if}
  <ol class="grid grid-cols-[repeat(auto-fit,minmax(9.5rem,1fr))] mt-2 mb-4 mx-0">
    {#each instants as i, n (i.id)}
      <li
        class="relative grid gap-2 content-start py-4 pr-4 pl-0 border-t-4 border-t-line"
        class:seen={i.seen}
        class:both={both(i.at)}
        aria-current={n === present && 'step'}
      >
        <p class="what font-semibold">
          <TurnMark turn={i.who} />
          {say.handoverRail.instants[i.id]}
        </p>
        <p class="num">
          <When at={i.at} />{i.seen ? `, ${say.handoverRail.seen}` : ''}
        </p>
        <p>
          {#if n === present}<b class="now text-madder">{say.handoverRail.now}</b>{/if}
          {i.since}
        </p>
        <p class="note muted">{say.handoverRail.wayBack} <Sentence text={i.back} /></p>
      </li>
    {/each}
  </ol>
  {#if ends}<p>{say.handoverRail.stillAnswers(stamp(ends, clock.now))}</p>{/if}
  {#if h.unbounded}<p class="border-l-4 border-l-ochre-fill bg-ochre-soft p-2">
      {say.handoverRail.unbounded}
    </p>{/if}
  {#if h.assumed}<p class="muted">{say.handoverRail.assumed}</p>{/if}
{:else if handover.data}<p class="muted">
    {leftAlone ? say.handoverRail.leftAlone : say.handoverRail.none}
  </p>{/if}

<style>
  li::before {
    content: '';
    position: absolute;
    top: -10px;
    width: 16px;
    height: 16px;
    border: 2px solid var(--loden);
    border-radius: 50%;
    background: var(--raised);
  }
  .seen::before {
    background: var(--loden);
  }
  .both {
    border-top-color: var(--ochre-fill);
  }
</style>
