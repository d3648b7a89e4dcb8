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

<ol>
  {#each steps as step (step.id)}
    <li class={step.phase} id="step-{step.id}" tabindex="-1">
      <span class="no num">{all.indexOf(step) + 1}</span>
      <TurnMark turn={step.turn} />
      <div>
        <p>
          <span class="title">{step.title}</span>
          <span class="muted"
            >{PHASES[step.phase]}
            {#if step.done_at}<When at={step.done_at} bare />{/if}</span
          >
        </p>
        {#if step.phase === 'ahead' || step.phase === 'due'}
          <p class="muted small">
            {say.stepList.stepNeeds(
              takes(step.takes),
              step.proof,
              step.undo ? say.stepList.takenBackBy(step.undo) : '',
            )}
          </p>
        {:else if step.says}
          <p class="small"><Sentence text={step.says} /></p>
        {/if}
        {#if step.look_at && step.phase !== 'done'}<p class="small">
            {say.stepList.lookedAtAgain}
            <When at={step.look_at} />.
          </p>{/if}
      </div>
    </li>
  {/each}
</ol>

<style>
  li {
    display: grid;
    grid-template-columns: 1.6rem 1.2rem minmax(0, 1fr);
    gap: 8px;
    align-items: baseline;
    padding: 4px 0;
    border-top: 1px solid var(--line);
  }
  .no {
    text-align: right;
    color: var(--muted);
  }
  .title {
    margin-right: 8px;
    overflow-wrap: anywhere;
  }
  .under-way .title,
  .stuck .title,
  .due .title {
    font-weight: 600;
  }
  .stuck .muted {
    color: var(--madder);
  }
  .dropped .title {
    text-decoration: line-through;
  }
  .small {
    font-size: var(--note);
    overflow-wrap: anywhere;
  }
</style>
