<script lang="ts">
  import type { Gate } from '../lib/api';
  import { day, full, GATES } from '../lib/words';
  import When from './When.svelte';
  import { say } from '../lib/say';

  let {
    gate,
    words = true,
    brief = false,
    told = false,
  }: {
    gate: Gate;
    words?: boolean;
    brief?: boolean;
    /** Does the reason stand beside it? Then one thing needs no number. */
    told?: boolean;
  } = $props();
  const lead = $derived(
    gate.kind === 'needs' && !(told && gate.needs === 1)
      ? `${GATES.needs} (${gate.needs})`
      : gate.kind === 'wait' && !gate.clears_at
        ? brief
          ? say.gateMark.wait
          : say.gateMark.waitKnown
        : GATES[gate.kind],
  );
</script>

<span class="gate {gate.kind} inline-flex items-center gap-2">
  <svg class="flex-none" viewBox="0 0 30 20" width="30" height="20" aria-hidden="true">
    <path class="post" d="M4 19V9" />
    {#if gate.kind === 'ready'}
      <path class="bar" d="M4 11 15 1" />
    {:else if gate.kind === 'needs'}
      <path class="bar" d="M4 11 25 4" />
    {:else if gate.kind === 'unknown'}
      <path class="bar" d="M4 11H28" stroke-dasharray="2.5 3.5" />
    {:else if gate.kind === 'moving'}
      <path class="bar" d="M4 11 18 3" /><path class="hand" d="M14 15h13m-4-3.5 4 3.5-4 3.5" />
    {:else}
      <path class="bar" d="M4 11H28" />
      {#if gate.kind === 'wait'}
        <circle class="dial" cx="18" cy="11" r="5.5" /><path class="hand" d="M18 8v3l2 1.5" />
      {:else}
        <circle class="dial" cx="18" cy="11" r="5.5" /><path
          class="hand"
          d="m15.6 8.6 4.8 4.8m0-4.8-4.8 4.8"
        />
      {/if}
    {/if}
  </svg>
  {#if words}
    <span
      >{lead}
      {#if gate.kind === 'wait' && gate.clears_at}{#if brief}<time
            datetime={gate.clears_at}
            title={full(gate.clears_at)}>{day(gate.clears_at)}</time
          >{:else}<When
            at={gate.clears_at}
            bare
          />{/if}{/if}{#if gate.kind === 'ready' && gate.steps && !brief}<span class="muted way"
          >{say.gateMark.onTheWay(gate.steps)}</span
        >{/if}</span
    >
  {/if}
</span>

<style>
  .post,
  .bar {
    stroke: currentColor;
    stroke-width: 3;
    fill: none;
  }
  .post {
    stroke: var(--muted);
  }
  .dial {
    fill: var(--raised);
    stroke: currentColor;
    stroke-width: 1.8;
  }
  .hand {
    stroke: currentColor;
    stroke-width: 1.6;
    fill: none;
  }
  .way {
    margin-left: 8px;
    font-weight: 400;
  }
  .ready,
  .moving {
    color: var(--loden);
  }
  .needs {
    color: var(--ochre);
  }
  .wait {
    color: var(--slate);
  }
  .blocked {
    color: var(--madder);
  }
</style>
