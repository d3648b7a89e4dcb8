<script lang="ts">
  import type { Step } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { openWhile } from '../../lib/fold';
  import { staged, type Stage } from '../../lib/stages';
  import { stamp } from '../../lib/words';
  import Sentence from '../../parts/Sentence.svelte';
  import { say } from '../../lib/say';
  import StepList from './StepList.svelte';

  /**
   * The stages of a move downwards: what is over in a line each, the present one open, what is
   * ahead by the names of its steps.
   */
  let { steps, open }: { steps: Step[]; open: boolean } = $props();
  const stages = $derived(staged(steps, open));
  const at = (iso: string) => stamp(iso, clock.now);
  const line = (s: Stage) => s.steps.map((step) => step.title).join(' · ');
</script>

<ol class="stages">
  {#each stages as s (s.name)}
    <li class={s.state} aria-current={s.state === 'present' ? 'step' : undefined}>
      <details {@attach openWhile(() => s.state === 'present')}>
        <summary
          class="grid grid-cols-[14px_7rem_minmax(0,1fr)_max-content] gap-y-1 gap-x-4
            items-baseline py-2 px-0 text-ink list-none"
        >
          <svg class="self-center" viewBox="0 0 14 14" width="14" height="14" aria-hidden="true">
            <circle class="fill-none stroke-muted stroke-[1.6]" cx="7" cy="7" r="5.6" />
          </svg>
          <strong class="font-semibold">{s.name}</strong>
          <span class="line">
            {#if s.state === 'past' && s.last?.says}<Sentence text={s.last.says} />
            {:else if s.state === 'ahead'}{line(s)}{/if}
          </span>
          <span class="note num muted"
            >{#if s.state === 'dropped'}{say.stages
                .dropped}{:else if s.state === 'past' && s.over}{at(s.over)}{:else}{say.stages.done(
                s.done,
                s.steps.length,
              )}{/if}</span
          >
        </summary>
        <StepList steps={s.steps} all={steps} />
      </details>
    </li>
  {/each}
</ol>

<style>
  .stages {
    margin: 16px 0;
    border-bottom: 1px solid var(--line);
  }
  .stages > li {
    border-top: 1px solid var(--line);
  }
  summary::-webkit-details-marker {
    display: none;
  }
  .past circle {
    fill: var(--loden);
    stroke: var(--loden);
  }
  .present circle {
    fill: var(--ochre-fill);
    stroke: var(--ochre-fill);
  }
  .present summary {
    background: var(--ochre-soft);
    margin: 0 -16px;
    padding: 8px 16px;
  }
  .line {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .dropped strong,
  .ahead .line,
  .ahead strong {
    color: var(--muted);
  }
  details :global(ol) {
    margin: 0 0 8px 30px;
  }
  @container sheet (max-width: 600px) {
    summary {
      grid-template-columns: 14px minmax(0, 1fr) max-content;
    }
    .line {
      grid-column: 2 / -1;
      grid-row: 2;
      white-space: normal;
    }
    details :global(ol) {
      margin-left: 0;
    }
  }
</style>
