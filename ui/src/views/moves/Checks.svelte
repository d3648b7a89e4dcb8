<script lang="ts">
  import type { MoveSheet } from '../../lib/api';
  import Sentence from '../../parts/Sentence.svelte';
  import { say } from '../../lib/say';

  let { checks }: { checks: MoveSheet['checks'] } = $props();
</script>

<table class="box raised" aria-label={say.checks.landingChecks}>
  <thead
    ><tr
      ><th>{say.checks.checked}</th><th>{say.checks.asOrdered}</th><th>{say.checks.asFound}</th><th
      ></th></tr
    ></thead
  >
  <tbody>
    {#each checks as c (c.what)}
      <tr>
        <td>{c.what}</td>
        <td><Sentence text={c.wanted} /></td>
        <td><Sentence text={c.found} /></td>
        <td class:bad={c.ok === false && !c.accepted} class:unseen={c.ok === null}
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
  table {
    width: 100%;
    margin-bottom: 16px;
  }
  th,
  td {
    text-align: left;
    padding: 4px 16px;
    vertical-align: top;
    overflow-wrap: anywhere;
  }
  th {
    font-weight: 600;
    color: var(--muted);
  }
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
