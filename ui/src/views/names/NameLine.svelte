<script lang="ts">
  import type { NameRow } from '../../lib/api';
  import { kept } from '../../lib/list';
  import type { Column } from '../../lib/own';
  import { pick } from '../../lib/tray.svelte';
  import { p } from '../../router';
  import { day, GATES_ALONE, money } from '../../lib/words';
  import GateMark from '../../parts/GateMark.svelte';
  import Ruler from '../../parts/Ruler.svelte';
  import { say } from '../../lib/say';

  let {
    row,
    current,
    picked,
    from,
    index,
    columns,
  }: {
    row: NameRow;
    current: boolean;
    picked: boolean;
    /** Where the ruler begins, and how long it is. */
    from: { at: string; days: number };
    index: number;
    columns: readonly Column[];
  } = $props();
  const href = $derived(p('/names/:name', { params: { name: row.name } }) + kept());
  const was = $derived(row.was && say.nameLine.now(GATES_ALONE[row.was].toLowerCase()));
  const reason = $derived(row.move?.stage ?? row.why);
  const why = $derived([reason, was].filter(Boolean).join('; '));
  const dns = $derived(row.dns_host ?? row.name_servers[0] ?? say.nameLine.notKnown);
  const switched = (on: boolean | null | undefined) =>
    on === true ? say.nameLine.on : on === false ? say.nameLine.off : '–';
</script>

<div
  class="row hover:bg-raised max-[760px]:py-1 max-[760px]:px-0 max-[760px]:gap-y-0.5"
  class:current
  role="row"
  aria-rowindex={index + 2}
>
  <span role="cell" class="pick max-[760px]:row-[1/span_2]">
    <input
      type="checkbox"
      tabindex="-1"
      checked={picked}
      aria-label={say.nameLine.trayCount(row.unicode)}
      title={say.nameLine.trayKey}
      onchange={() => pick(row.name)}
    />
  </span>
  <span role="cell" class="name">
    <a
      class="mono text-ink no-underline hover:underline"
      data-row
      data-name={row.name}
      aria-current={current}
      title={row.unicode}
      {href}>{row.unicode}</a
    >
    {#if row.contradicting}<span
        class="text-ochre font-semibold ml-2"
        title={say.nameLine.sourcesClash}
        >≠<span class="hidden-words">{say.nameLine.sourcesDiffer}</span></span
      >{/if}
  </span>
  <span role="cell" class="gates flex items-center max-[760px]:col-start-2"
    ><GateMark gate={row.gate} brief told={!!reason} />{#if why}<span
        class="note why text-muted ml-2 min-w-0 overflow-hidden text-ellipsis"
        title={why}>{why}</span
      >{/if}</span
  >
  <span role="cell" class="ruler"><Ruler {row} from={from.at} days={from.days} /></span>
  <span role="cell" class="num max-[760px]:col-start-3 max-[760px]:text-muted"
    >{row.expires_at ? day(row.expires_at) : say.nameLine.notKnown}</span
  >
  {#each columns as column (column)}
    {#if column === 'account'}<span role="cell" class="wide muted" title={row.account}
        >{row.account}</span
      >
    {:else if column === 'client'}<span role="cell" class="wide muted" title={row.client}
        >{row.client ?? ''}</span
      >
    {:else if column === 'stay'}<span role="cell" class="wide num right text-right"
        >{row.stay ? money(row.stay) : '–'}</span
      >
    {:else if column === 'dns'}<span
        role="cell"
        class="wide muted"
        title={row.name_servers.join(', ')}>{dns}</span
      >
    {:else if column === 'lock'}<span role="cell" class="wide">{switched(row.locked)}</span>
    {:else if column === 'privacy' || column === 'auto_renew'}<span role="cell" class="wide"
        >{switched(row[column])}</span
      >
    {:else}<span role="cell" class="wide num muted"
        >{row.seen_at ? day(row.seen_at) : say.nameLine.never}</span
      >{/if}
  {/each}
</div>

<style>
  .row {
    display: grid;
    grid-template-columns: var(--columns);
    align-items: center;
    min-height: var(--row);
    border-bottom: 1px solid var(--line);
  }
  .row > span {
    padding: 0 8px;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .current,
  .current:hover {
    background: var(--loden-soft);
    box-shadow: inset 4px 0 var(--loden);
  }
  .row > .pick {
    text-overflow: clip;
    padding-right: 0;
  }
  .row > .ruler {
    background: var(--months) content-box;
    align-self: stretch;
    display: grid;
    align-items: center;
  }
  /* Two lines: the whole name, then its gate and expiry. */
  @media (max-width: 760px) {
    .row > .name {
      grid-column: 2 / -1;
      white-space: normal;
      overflow-wrap: anywhere;
    }
  }
</style>
