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
  type Finding = NameSheet['findings'][number];
  let {
    sheet,
    but,
    evidence = $bindable(),
  }: {
    sheet: NameSheet;
    /** What the head says already. */
    but: Finding | undefined;
    evidence: boolean;
  } = $props();
  const all = $derived(sheet.findings.filter((f) => f.effect !== 'step'));
  const reasons = $derived(evidence ? all : all.filter((f) => f.rule !== but?.rule));
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
  // What the desk does and what is to be known say only so; how, is one key away.
  const brief = (f: Finding) => !barring(f) && !firstly(f) && !evidence;
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
  <h2 class="text-note text-muted mt-2">{say.nameSheet.youDo}</h2>
  {#each sheet.obstacles as obstacle (obstacle)}<p
      class="first my-2 mx-0 pl-4 border-l-4 border-l-ochre-fill"
    >
      <Sentence text={obstacle} />
    </p>{/each}
{/if}
{#each parts.filter((p) => p.of.length) as part (part.title)}
  {#if !(part.title === say.nameSheet.youDo && sheet.obstacles.length)}<h2
      class="text-note text-muted mt-2"
    >
      {part.title}
    </h2>{/if}
  {#each part.of as finding (finding.rule)}
    <FindingLine {finding} {evidence} brief={brief(finding)} />
  {/each}
{/each}
{#if !all.length}<p>{say.nameSheet.clear}</p>{/if}
{#if unknown.length}
  <h2 class="text-note text-muted mt-2">{say.nameSheet.unknownFacts}</h2>
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
  .unknown {
    margin: 8px 0;
    padding-left: 16px;
    border-left: 4px dashed var(--line);
  }
</style>
