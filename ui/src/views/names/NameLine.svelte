<script lang="ts">
  import type { NameRow } from '../../lib/api';
  import { p } from '../../router';
  import { day } from '../../lib/words';
  import GateMark from '../../parts/GateMark.svelte';

  let { row, current }: { row: NameRow; current: boolean } = $props();
</script>

<tr class:current>
  <td class="name">
    <a class="mono" data-row aria-current={current} href={p('/names/:name', { params: { name: row.name } })}
      >{row.unicode}</a
    >
    {#if row.move}<span class="moving">on the move: {row.move.stage}</span>{/if}
  </td>
  <td><GateMark gate={row.gate} /></td>
  <td class="wide muted">{row.account}</td>
  <td class="wide num">{row.expires_at ? day(row.expires_at) : 'not known'}</td>
  <td class="wide">{row.locked === null ? 'not known' : row.locked ? 'on' : 'off'}</td>
  <td class="wide muted servers" title={row.name_servers.join(', ')}
    >{row.dns_host ?? row.name_servers[0] ?? 'not known'}</td
  >
</tr>

<style>
  td {
    padding: 0.42rem 0.8rem;
    border-bottom: 1px solid var(--line);
    vertical-align: top;
  }
  tr:last-child td {
    border-bottom: 0;
  }
  tr:hover td,
  .current td {
    background: var(--loden-soft);
  }
  .name {
    overflow-wrap: anywhere;
  }
  a {
    color: var(--ink);
    text-decoration: none;
  }
  a:hover {
    text-decoration: underline;
  }
  .moving {
    font-size: 0.88rem;
    display: block;
  }
  .moving {
    color: var(--loden);
    font-weight: 600;
  }
</style>
