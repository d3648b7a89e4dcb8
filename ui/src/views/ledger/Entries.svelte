<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { money } from '../../lib/words';
  import { say } from '../../lib/say';
  import When from '../../parts/When.svelte';

  /** Every entry of the ledger, the newest first. */
  let { entries }: { entries: Schemas['LedgerEntry'][] } = $props();
</script>

<details class="fold">
  <summary>{say.ledger.entries} <span class="muted num">{entries.length}</span></summary>
  <div class="overflow-x-auto">
    <table class="figures">
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
            <td class="mono">{e.moves.map((m) => m.unicode).join(', ')}</td>
            <td class="num">{e.amount ? money(e.amount) : say.ledger.unread}</td>
            <td class="mono">{e.number ?? ''}</td>
            <td class="muted">{say.ledger.sources[e.source]}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
</details>
