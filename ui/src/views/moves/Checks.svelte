<script lang="ts">
  import type { MoveSheet } from '../../lib/api';
  import Sentence from '../../parts/Sentence.svelte';
  import { say } from '../../lib/say';

  let { checks }: { checks: MoveSheet['checks'] } = $props();
</script>

<table class="rows mb-4" aria-label={say.checks.landingChecks}>
  <thead
    ><tr
      ><th class="font-semibold text-muted">{say.checks.checked}</th><th
        class="font-semibold text-muted">{say.checks.asOrdered}</th
      ><th class="font-semibold text-muted">{say.checks.asFound}</th><th
        class="font-semibold text-muted"
      ></th></tr
    ></thead
  >
  <tbody>
    {#each checks as c (c.what)}
      <tr>
        <td class="last:text-loden last:font-semibold last:whitespace-nowrap">{c.what}</td>
        <td class="last:text-loden last:font-semibold last:whitespace-nowrap"
          ><Sentence text={c.wanted} /></td
        >
        <td class="last:text-loden last:font-semibold last:whitespace-nowrap"
          ><Sentence text={c.found} /></td
        >
        <td
          class="last:text-loden last:font-semibold last:whitespace-nowrap"
          class:bad={c.ok === false && !c.accepted}
          class:unseen={c.ok === null}
          >{c.ok === null
            ? say.checks.notSeen
            : c.ok
              ? say.checks.agrees
              : c.accepted
                ? say.checks.accepted(c.accepted)
                : say.checks.differs}</td
        >
      </tr>
    {/each}
  </tbody>
</table>

<style>
  td:first-child::first-letter {
    text-transform: capitalize;
  }
  td:last-child {
    color: var(--loden);
    font-weight: 600;
    white-space: nowrap;
  }
  td.unseen {
    color: var(--ink);
    font-weight: 400;
  }
  td.bad {
    color: var(--madder);
  }
</style>
