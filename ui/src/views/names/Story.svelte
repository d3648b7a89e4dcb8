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
  type Finding = NameSheet['findings'][number];
  const firstly = (f: Finding) => f.effect === 'fix' && f.in_move === 'first';
  const known = (f: Finding) => f.effect === 'caution' || f.in_move === 'caution';
  const barring = (f: Finding) => f.effect === 'bar' || f.effect === 'wait';
  // What stands in the way, what somebody does first, what the move does, what is to be known.
  const parts = $derived([
    { title: say.nameSheet.inTheWay, of: reasons.filter(barring) },
    { title: say.nameSheet.youDo, of: reasons.filter(firstly) },
    {
      title: say.nameSheet.onTheWay,
      of: reasons.filter((f) => !barring(f) && !firstly(f) && !known(f)),
    },
    { title: say.nameSheet.knowThis, of: reasons.filter(known) },
  ]);
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
  <h3>{say.nameSheet.youDo}</h3>
  {#each sheet.obstacles as obstacle (obstacle)}<p class="first">
      <Sentence text={obstacle} />
    </p>{/each}
{/if}
{#each parts.filter((p) => p.of.length) as part (part.title)}
  {#if !(part.title === say.nameSheet.youDo && sheet.obstacles.length)}<h3>{part.title}</h3>{/if}
  {#each part.of as finding (finding.rule)}
    <FindingLine {finding} {evidence} />
  {/each}
{/each}
{#if !reasons.length}<p>{say.nameSheet.clear}</p>{/if}
{#if unknown.length}
  <h3>{say.nameSheet.unknownFacts}</h3>
  {#each unknown as [find_out, titles] (find_out)}
    <p class="unknown">{titles.join(', ')}. {find_out}</p>
  {/each}
{/if}
<p>
  <button class="link" onclick={() => (evidence = !evidence)} aria-pressed={evidence} title="e"
    >{say.nameSheet.evidence(evidence ? say.nameSheet.hide : say.nameSheet.show)}</button
  >
</p>

<style>
  h3 {
    font-size: var(--note);
    color: var(--muted);
    margin-top: 8px;
  }
  .first {
    margin: 8px 0;
    padding-left: 16px;
    border-left: 4px solid var(--ochre-fill);
  }
  .unknown {
    margin: 8px 0;
    padding-left: 16px;
    border-left: 4px dashed var(--line);
  }
</style>
