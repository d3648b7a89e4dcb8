<script lang="ts">
  import type { Block, Step } from '../../lib/api';
  import { dayOf } from '../../lib/days';
  import { staged } from '../../lib/stages';
  import { plainDay } from '../../lib/words';
  import TurnMark from '../../parts/TurnMark.svelte';
  import { say } from '../../lib/say';

  /** The stages of a plan in one line, each with the names of its steps; yours with about when. */
  let { steps, blocks }: { steps: Step[]; blocks: Block[] } = $props();
  const about = (step: Step) => {
    const begins = blocks.find((b) => b.id === step.id)?.starts[1];
    return begins ? say.stageLine.about(plainDay(dayOf(begins)).slice(0, -5)) : '';
  };
</script>

<ol
  class="grid grid-cols-[repeat(auto-fit,minmax(6.4rem,1fr))] gap-y-2 gap-x-4 my-4 mx-0"
  aria-label={say.stageLine.title}
>
  {#each staged(steps, false) as stage (stage.name)}
    <li class="pt-2 border-t-[3px] border-t-line">
      <strong class="font-semibold">{stage.name}</strong>
      <ul>
        {#each stage.steps as step (step.id)}
          <li class="note" title={step.title}>
            {#if step.turn === 'yours'}<TurnMark turn="yours" />
              <b class="font-semibold">{step.short}</b>
              <span class="muted">{about(step)}</span>{:else}{step.short}{/if}
          </li>
        {/each}
      </ul>
    </li>
  {/each}
</ol>
