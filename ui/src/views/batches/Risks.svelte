<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { p } from '../../router';
  import { say } from '../../lib/say';
  import Sentence from '../../parts/Sentence.svelte';

  /** What could go wrong, the worst first, each with what mends it for all that it touches. */
  let { risks }: { risks: Schemas['BatchRisk'][] } = $props();
  const names = (risk: Schemas['BatchRisk']) => [...new Set(risk.cases.flatMap((c) => c.names))];
  const tray = (risk: Schemas['BatchRisk']) =>
    `${p('/names')}?tray=${names(risk).map(encodeURIComponent).join(',')}`;
  const mend = (risk: Schemas['BatchRisk']) =>
    risk.note ? `${tray(risk)}&act=note&note=${risk.note}` : tray(risk);
</script>

<h2>{say.batch.risks}</h2>
<ul>
  {#each risks as risk (risk.key)}
    {@const all = names(risk)}
    <li class={risk.harm}>
      <strong>{say.batch.harms[risk.harm]}</strong>
      <details>
        <summary><Sentence text={risk.cases[0]!.says} /></summary>
        {#each risk.cases as c (c.says)}
          <p>
            {#if risk.cases.length > 1}<Sentence text={c.says} />{/if}
            <span class="mono">{c.unicode.join(', ')}</span>
          </p>
        {/each}
      </details>
      <a href={mend(risk)}
        >{risk.note ? say.batch.noteForAll(all.length) : say.batch.inTheTray(all.length)}</a
      >
    </li>
  {:else}<li>{say.batch.noRisks}</li>{/each}
</ul>

<style>
  li {
    padding: 8px 0 8px 8px;
    border-top: 1px solid var(--line);
    border-left: 4px solid transparent;
    overflow-wrap: anywhere;
  }
  .lost {
    border-left-color: var(--madder);
  }
  .held,
  .money {
    border-left-color: var(--ochre-fill);
  }
</style>
