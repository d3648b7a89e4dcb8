<script lang="ts">
  import type { NameSheet } from '../../lib/api';
  import { single } from '../../lib/keys';
  import Sentence from '../../parts/Sentence.svelte';
  import FindingLine from './FindingLine.svelte';
  import { say } from '../../lib/say';

  /**
   * Why the gate stands as it does: what a plan would refuse, the reasons, and what is not known
   * yet.
   */
  let { sheet, evidence = $bindable() }: { sheet: NameSheet; evidence: boolean } = $props();
  const reasons = $derived(sheet.findings.filter((f) => f.effect !== 'step'));
  const unknown = $derived.by(() => {
    const by: Record<string, string[]> = {};
    for (const u of sheet.unknown) (by[u.find_out ?? ''] ??= []).push(u.title);
    return Object.entries(by);
  });

  function onkeydown(e: KeyboardEvent) {
    if (single(e, 'e')) evidence = !evidence;
  }
</script>

<svelte:window {onkeydown} />
{#if sheet.obstacles.length}
  <h3>{say.nameSheet.refusalTitle}</h3>
  {#each sheet.obstacles as obstacle (obstacle)}<p class="unknown">
      <Sentence text={obstacle} />
    </p>{/each}
{/if}
{#each reasons as finding (finding.rule)}
  <FindingLine {finding} {evidence} />
{:else}
  <p>{say.nameSheet.clear}</p>
{/each}
{#each unknown as [find_out, titles] (find_out)}
  <p class="unknown">
    <strong>{say.nameSheet.unknownFacts}</strong>
    {titles.join(', ')}. {find_out}
  </p>
{/each}
<p>
  <button class="link" onclick={() => (evidence = !evidence)} aria-pressed={evidence} title="e"
    >{say.nameSheet.evidence(evidence ? say.nameSheet.hide : say.nameSheet.show)}</button
  >
</p>

<style>
  h3 {
    font-weight: 600;
  }
  .unknown {
    margin: 8px 0;
    padding-left: 16px;
    border-left: 4px dashed var(--line);
  }
</style>
