<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { worded } from '../../lib/facts';
  import Sentence from '../../parts/Sentence.svelte';
  import When from '../../parts/When.svelte';
  import { say } from '../../lib/say';

  let { facts }: { facts: Schemas['Fact'][] } = $props();
  const SOURCES: Record<string, string> = {
    account: say.facts.sourceAccount,
    public_record: say.facts.sourceRecord,
    dns: 'DNS',
    hand: say.facts.byHand,
    desk: say.facts.theDesk,
  };
  const ASSUMED = { start: say.facts.itsStart, end: say.facts.itsEnd };
</script>

<ul class="text-note my-2 mx-0">
  {#each facts as fact (fact.key + fact.source)}
    <li class="flex flex-wrap gap-x-4 py-0.5 px-0 wrap-anywhere">
      <span class="key min-w-[8rem]">{fact.title}</span>
      <span class="mono"
        ><Sentence text={worded(fact.value)} />{#if fact.assumed}<span class="muted">
            {ASSUMED[fact.assumed]}</span
          >{/if}</span
      >
      <span class="muted"
        >{say.facts.from(SOURCES[fact.source] ?? fact.source)} <When at={fact.seen_at} /></span
      >
    </li>
  {/each}
</ul>
