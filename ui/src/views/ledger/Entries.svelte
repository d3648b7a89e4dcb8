<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { money } from '../../lib/words';
  import { say } from '../../lib/say';
  import When from '../../parts/When.svelte';

  /** Every entry of the ledger, the newest first. */
  let { entries }: { entries: Schemas['LedgerEntry'][] } = $props();
</script>

<details>
  <summary>{say.ledger.entries} <span class="muted num">{entries.length}</span></summary>
  <div class="scroll">
    <table>
      <thead>
        <tr>
          <th scope="col">{say.ledger.at}</th>
          <th scope="col">{say.ledger.kind}</th>
          <th scope="col">{say.ledger.where}</th>
          <th scope="col">{say.ledger.name}</th>
          <th scope="col" class="num">{say.ledger.amount}</th>
          <th scope="col">{say.ledger.number}</th>
          <th scope="col"></th>
        </tr>
      </thead>
      <tbody>
        {#each entries as e, i (i)}
          <tr>
            <td><When at={e.at} bare /></td>
            <td>{say.ledger.kinds[e.kind]}</td>
            <td>{e.at_account}</td>
            <td class="mono">{e.moves.map((m) => m.name).join(', ')}</td>
            <td class="num">{e.amount ? money(e.amount) : say.ledger.unread}</td>
            <td class="mono">{e.number ?? ''}</td>
            <td class="muted">{say.ledger.sources[e.source]}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
</details>

<style>
  summary {
    cursor: pointer;
    font-weight: 650;
  }
  details {
    margin-top: 0.9rem;
  }
  .scroll {
    overflow-x: auto;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th,
  td {
    text-align: left;
    padding: 0.25rem 0.8rem 0.25rem 0;
    border-top: 1px solid var(--line);
    vertical-align: baseline;
  }
  th.num,
  td.num {
    text-align: right;
    white-space: nowrap;
  }
</style>
