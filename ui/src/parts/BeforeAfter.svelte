<script lang="ts">
  import { say } from '../lib/say';

  /** What a move changes: each thing as it is and as it will be; note: what else to know. */
  let {
    rows,
  }: {
    rows: {
      what: string;
      before: string;
      after: string;
      note?: string | undefined;
      bad?: boolean;
    }[];
  } = $props();
</script>

<table class="figures" aria-label={say.beforeAfter.title}>
  <tbody>
    {#each rows as row (row.what)}
      <tr>
        <th scope="row" class="muted">{row.what}</th>
        <td
          >{row.before}<span class="arrow" aria-hidden="true">→</span><span class="hidden-words"
            >{say.beforeAfter.becomes}</span
          ><strong>{row.after}</strong>
          {#if row.note}<span class="note muted" class:bad={row.bad}>{row.note}</span>{/if}</td
        >
      </tr>
    {/each}
  </tbody>
</table>

<style>
  table {
    margin-bottom: 16px;
  }
  th {
    font-weight: 400;
    width: 9rem;
  }
  .arrow {
    margin: 0 8px;
  }
  .note {
    display: block;
  }
  .bad {
    color: var(--madder);
    font-weight: 600;
  }
</style>
