<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { at } from '../../lib/base';
  import { say } from '../../lib/say';
  import Choice from '../../parts/Choice.svelte';
  import Download from '../../parts/Download.svelte';

  /** What became of all names, or of one client's, in a month: to print or to take along. */
  let { book }: { book: Schemas['LedgerPage'] } = $props();
  let month = $state('');
  let client = $state('');
  // “2027-03” → “March 2027”
  const monthOf = (text: string) =>
    new Date(`${text}-15T12:00:00Z`).toLocaleString('en', { month: 'long', year: 'numeric' });
  const months = $derived(book.months.map((m) => [m, monthOf(m)] as const));
  const clients = $derived([
    ['', say.ledger.allNames] as const,
    ...book.clients.map((c) => [c, c] as const),
  ]);
  const asked = $derived(
    `?month=${month || (book.months[0] ?? '')}` +
      (client ? `&client=${encodeURIComponent(client)}` : ''),
  );
</script>

<h2 class="mt-4 mb-1 mx-0">{say.ledger.month}</h2>
<div class="flex flex-wrap gap-4 items-end">
  <Choice
    id="report-month"
    label={say.ledger.which}
    of={months}
    bind:value={() => month || (book.months[0] ?? ''), (m) => (month = m)}
  />
  {#if book.clients.length}
    <Choice id="report-client" label={say.ledger.by['client']!} of={clients} bind:value={client} />
  {/if}
  <p class="flex gap-4 py-2">
    <a href={at(`/api/month-report${asked}`)} target="_blank" rel="noopener">{say.closing.page}</a>
    <a href={at(`/api/month-report.pdf${asked}`)} download>{say.closing.pdf}</a>
    <Download href={at(`/api/month-report.csv${asked}`)}>{say.closing.csv}</Download>
  </p>
</div>
