<script lang="ts">
  import type { Card } from '../../lib/api';
  import { p } from '../../router';
  import { say } from '../../lib/say';
  import More from '../../parts/More.svelte';

  /** Ended moves, folded away, with what came of each. */
  let {
    moves,
    current,
    there,
    busy,
    more,
  }: { moves: Card[]; current: string | undefined; there: boolean; busy: boolean; more: () => void } = $props();
</script>

{#if moves.length}
  <details open={moves.some((m) => String(m.id) === current)}>
    <summary>{say.axis.ended} <span class="num muted">{moves.length}{there ? '+' : ''}</span></summary>
    <ul class="box">
      {#each moves as m (m.id)}
        <li class:current={String(m.id) === current}>
          <a
            class="mono"
            href={p('/moves/:id', { params: { id: String(m.id) } })}
            aria-current={String(m.id) === current}>{m.name}</a
          >
          <span>{m.stage}</span>
          {#if !current}<span class="muted">{m.from} → {m.to}</span>{/if}
        </li>
      {/each}
    </ul>
    <More {there} {busy} {more} />
  </details>
{/if}

<style>
  summary {
    cursor: pointer;
    font-weight: 650;
    margin: 0.6rem 0;
  }
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 0.1rem 1rem;
    padding: 0.45rem 0.8rem;
    border-bottom: 1px solid var(--line);
    overflow-wrap: anywhere;
  }
  li a {
    flex: 0 1 20rem;
  }
  li > span:nth-child(2) {
    flex: 0 0 7rem;
  }
  .current {
    background: var(--loden-soft);
  }
</style>
