<script lang="ts">
  import type { Step } from '../../lib/api';
  import { span } from '../../lib/words';
  import Sentence from '../../parts/Sentence.svelte';
  import TurnMark from '../../parts/TurnMark.svelte';
  import When from '../../parts/When.svelte';
  import { say } from '../../lib/say';

  /** all: the steps that are counted, where only some of them are shown. */
  let { steps, all = steps }: { steps: Step[]; all?: Step[] } = $props();
  const PHASES = {
    ahead: 'ahead',
    due: 'due',
    'under-way': say.stepList.underWay,
    stuck: say.stepList.heldUp,
    done: 'done',
    dropped: 'dropped',
  };

  function takes([least, , most]: number[]): string {
    if (least === undefined || most === undefined || most < 60) return 'moments';
    return least === most
      ? span(most * 1000)
      : say.stepList.to(least < 60 ? 'moments' : span(least * 1000), span(most * 1000));
  }
</script>

<ol class="columned [--cols:1.6rem_1.2rem_minmax(0,1fr)] [--narrow:var(--cols)]">
  {#each steps as step (step.id)}
    <li class={step.phase} id="step-{step.id}" tabindex="-1">
      <span class="muted num text-right">{all.indexOf(step) + 1}</span>
      <TurnMark turn={step.turn} />
      <div>
        <p>
          <span class="title mr-2">{step.title}</span>
          <span class="muted"
            >{PHASES[step.phase]}
            {#if step.done_at}<When at={step.done_at} bare />{/if}</span
          >
        </p>
        {#if step.phase === 'ahead' || step.phase === 'due'}
          <p class="muted note">
            {say.stepList.stepNeeds(
              takes(step.takes),
              step.proof,
              step.undo ? say.stepList.takenBackBy(step.undo) : '',
            )}
          </p>
        {:else if step.says}
          <p class="note"><Sentence text={step.says} /></p>
        {/if}
        {#if step.look_at && step.phase !== 'done'}<p class="note">
            {say.stepList.lookedAtAgain}
            <When at={step.look_at} />.
          </p>{/if}
      </div>
    </li>
  {/each}
</ol>

<style>
  :is(.under-way, .stuck, .due) .title {
    font-weight: 600;
  }
  .stuck .muted {
    color: var(--madder);
  }
  .dropped .title {
    text-decoration: line-through;
  }
</style>
