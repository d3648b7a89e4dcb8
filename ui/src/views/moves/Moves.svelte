<script lang="ts">
  import type { Snippet } from 'svelte';
  import { createInfiniteQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { isActive, p, route } from '../../router';
  import { stamp } from '../../lib/words';
  import Forecast from './Forecast.svelte';
  import MovesNav from './MovesNav.svelte';
  import More from '../../parts/More.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import TurnMark from '../../parts/TurnMark.svelte';
  import { say } from '../../lib/say';

  let { children }: { children: Snippet } = $props();
  const moves = createInfiniteQuery(() => ({
    queryKey: ['moves'],
    queryFn: ({ pageParam }) => ask(api.GET('/api/moves', { params: { query: { before: pageParam } } })),
    initialPageParam: undefined as number | undefined,
    getNextPageParam: (page) => page.next ?? undefined,
  }));
  const list = $derived(moves.data?.pages.flatMap((page) => page.moves) ?? []);
  const open = $derived(!isActive('/moves'));
  const current = $derived((route.params as Record<string, string | undefined>).id);
</script>

<main class:beside={open}>
  <div class="list">
    <MovesNav />
    <h1>{say.moves.moves}</h1>
    <Trouble error={moves.error} />
    {#if !open}<Forecast />{/if}
    {#if moves.data}
      <ul class="box">
        {#each list as m (m.id)}
          <li class:current={String(m.id) === current}>
            <a
              href={p('/moves/:id', { params: { id: String(m.id) } })}
              data-row
              aria-current={String(m.id) === current}
              class="mono">{m.name}</a
            >
            <span class="stage">
              {#if m.turn}<TurnMark turn={m.turn} />{/if}
              {m.stage}
            </span>
            <span class="muted way">{m.from} → {m.to}</span>
            {#if m.open && m.sentence}<span class="wide">{m.sentence}</span>{/if}
            {#if m.finish.length}
              <span class="muted num wide"
                >{say.moves.doneTo(stamp(m.finish[0]!, clock.now), stamp(m.finish[2]!, clock.now))}</span
              >
            {/if}
          </li>
        {:else}
          <li class="none">
            {say.moves.noMoveYet} <a href={p('/names')}>{say.moves.chooseAName}</a>
            {say.moves.andPlanItsMove}
          </li>
        {/each}
      </ul>
      <More there={moves.hasNextPage} busy={moves.isFetchingNextPage} more={() => void moves.fetchNextPage()} />
    {/if}
  </div>
  {#if open}<div class="sheet">{@render children()}</div>{/if}
</main>

<style>
  main {
    padding: 1rem;
    display: grid;
    gap: 1rem;
    grid-template-columns: minmax(0, 1fr);
  }
  main.beside {
    grid-template-columns: minmax(0, 3fr) minmax(0, 9fr);
  }
  .beside .wide {
    display: none;
  }
  h1 {
    margin-bottom: 0.6rem;
  }
  .list,
  .sheet {
    min-width: 0;
  }
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 0.1rem 1.2rem;
    padding: 0.55rem 0.8rem;
    border-bottom: 1px solid var(--line);
  }
  li:last-child {
    border-bottom: 0;
  }
  li a {
    overflow-wrap: anywhere;
  }
  .current,
  li:hover {
    background: var(--loden-soft);
  }
  .none {
    padding: 2rem 1rem;
    color: var(--muted);
  }
  .stage {
    display: inline-flex;
    gap: 0.4rem;
    align-items: center;
  }
  @media (max-width: 800px) {
    main.beside {
      grid-template-columns: minmax(0, 1fr);
    }
    .beside .list {
      display: none;
    }
  }
</style>
