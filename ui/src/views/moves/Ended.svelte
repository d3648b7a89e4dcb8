<script lang="ts">
  import type { Card } from '../../lib/api';
  import { openWhile } from '../../lib/fold';
  import { p } from '../../router';
  import { say } from '../../lib/say';
  import Sentence from '../../parts/Sentence.svelte';
  import More from '../../parts/More.svelte';

  /** Ended moves, folded away, with what came of each. */
  let {
    moves,
    current,
    there,
    busy,
    more,
  }: {
    moves: Card[];
    current: string | undefined;
    there: boolean;
    busy: boolean;
    more: () => void;
  } = $props();
</script>

{#if moves.length}
  <details {@attach openWhile(() => moves.some((m) => String(m.id) === current))}>
    <summary class="cursor-pointer font-semibold my-2 mx-0"
      >{say.axis.ended} <span class="num muted">{moves.length}{there ? '+' : ''}</span></summary
    >
    <table class="rows">
      <tbody>
        {#each moves as m (m.id)}
          <tr class:current={String(m.id) === current}>
            <th scope="row" class="mono w-[32%]">
              <a
                href={p('/moves/:id', { params: { id: String(m.id) } })}
                aria-current={String(m.id) === current}>{m.unicode}</a
              >
              {#if current}<span class="stage block font-sans font-normal">{m.stage}</span>{/if}
            </th>
            {#if !current}
              <td>{say.nameSheet.fromTo(m.from, m.to)}</td>
              <td
                >{#if m.result}<Sentence text={m.result} />{:else}{m.stage}{/if}</td
              >
            {/if}
          </tr>
        {/each}
      </tbody>
    </table>
    <More {there} {busy} {more} />
  </details>
{/if}

<style>
  .current {
    background: var(--loden-soft);
  }
</style>
