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

<div class="finding {finding.effect}">
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
  .finding {
    border-left: 4px solid var(--line);
    padding: 2px 0 2px 16px;
    margin: 8px 0;
  }
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
