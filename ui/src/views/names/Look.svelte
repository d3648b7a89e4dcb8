<script lang="ts">
  import { at } from '../../lib/base';
  import { kept } from '../../lib/list';
  import { keepOwn, own, type Column } from '../../lib/own';
  import Download from '../../parts/Download.svelte';
  import Panel from '../../parts/Panel.svelte';
  import { say } from '../../lib/say';

  /** Which columns the list shows, and how close its rows stand; kept for the person; and the
   * list to take along. */
  let { columns, clients }: { columns: readonly Column[]; clients: boolean } = $props();
  const ALL: [Column, string][] = [
    ['account', say.list.account],
    ['client', say.list.client],
    ['lock', say.list.lock],
    ['privacy', say.list.privacy],
    ['auto_renew', say.list.autoRenew],
    ['stay', say.list.toStay],
    ['dns', say.list.dnsHost],
    ['seen', say.list.seen],
  ];
  function turn(column: Column) {
    const next = ALL.map(([c]) => c).filter((c) => columns.includes(c) !== (c === column));
    void keepOwn('names', { columns: next });
  }
</script>

<Panel label={say.list.look} right>
  <fieldset class="grid gap-1">
    <legend class="note muted">{say.list.columns}</legend>
    {#each ALL.filter(([c]) => c !== 'client' || clients) as [column, title] (column)}
      <label>
        <input type="checkbox" checked={columns.includes(column)} onchange={() => turn(column)} />
        {title}</label
      >
    {/each}
  </fieldset>
  <label>
    <input
      type="checkbox"
      checked={own().names?.dense ?? false}
      onchange={(e) => void keepOwn('names', { dense: e.currentTarget.checked })}
    />
    {say.list.dense}</label
  >
  <Download href={at(`/api/names.csv${kept()}`)}>{say.names.csv}</Download>
  <a
    href={at(`/api/names/report${kept()}`)}
    target="_blank"
    rel="noopener"
    title={say.names.wholeList}>{say.names.report}</a
  >
</Panel>
