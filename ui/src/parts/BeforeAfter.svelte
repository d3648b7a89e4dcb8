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

<table class="figures mb-4" aria-label={say.beforeAfter.title}>
  <tbody>
    {#each rows as row (row.what)}
      <tr>
        <th scope="row" class="muted font-normal w-[9rem]">{row.what}</th>
        <td
          >{row.before}<span class="mx-2" aria-hidden="true">→</span><span class="hidden-words"
            >{say.beforeAfter.becomes}</span
          ><strong>{row.after}</strong>
          {#if row.note}<span class="note muted block" class:bad={row.bad}>{row.note}</span
            >{/if}</td
        >
      </tr>
    {/each}
  </tbody>
</table>

<style>
  .bad {
    color: var(--madder);
    font-weight: 600;
  }
</style>
