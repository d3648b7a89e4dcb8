<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import Sentence from '../../parts/Sentence.svelte';
  import When from '../../parts/When.svelte';
  import Facts from './Facts.svelte';
  import { say } from '../../lib/say';

  /** brief: without what helps against it. */
  let {
    finding,
    evidence,
    brief = false,
  }: { finding: Schemas['Finding']; evidence: boolean; brief?: boolean } = $props();
</script>

<div class="{finding.effect} border-l-4 border-l-line py-0.5 pr-0 pl-4 my-2 mx-0">
  <p><Sentence text={finding.because} /></p>
  {#if finding.clears_at}<p>{say.findingLine.itClears} <When at={finding.clears_at} />.</p>{/if}
  {#if !brief}<p class="muted"><Sentence text={finding.remedy} /></p>{/if}
  {#if evidence}
    <p class="source">
      {say.findingLine.rule(
        finding.title,
        finding.source.text,
        finding.source.kind === 'P' && !finding.source.verified ? say.findingLine.fromMemory : '',
      )}
    </p>
    <Facts facts={finding.evidence} />
  {/if}
</div>

<style>
  .bar {
    border-color: var(--madder);
  }
  .wait {
    border-color: var(--slate);
  }
  .fix {
    border-color: var(--ochre-fill);
  }
  .source {
    font-size: var(--note);
    margin-top: 4px;
  }
</style>
