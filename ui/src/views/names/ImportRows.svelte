<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import type { Importing, Preview } from '../../lib/importing.svelte';
  import { say } from '../../lib/say';

  /** The rows as they were understood, those that need a look first; mended in their place. */
  let { importing, seen }: { importing: Importing; seen: Preview } = $props();

  type Row = Schemas['ImportRow'];
  const KINDS = Object.entries(say.takeIn.kinds) as [
    NonNullable<Preview['kinds'][number]>,
    string,
  ][];
  const head = (column: number) => seen.head[column] || say.takeIn.column(column + 1);
  const unread = (row: Row, column: number) => row.unread.find((u) => u.column === column)?.wanted;
  const asked = (column: number) => seen.questions.some((q) => q.column === column);
  // The name first, then what can't be read, so that nobody has to look for it.
  const columns = $derived.by(() => {
    const places = seen.kinds.map((_, i) => i);
    const bad = places.filter((i) => seen.rows.some((row) => unread(row, i)));
    return [...new Set([nameColumn, ...bad, ...places])];
  });
  const nameColumn = $derived(Math.max(seen.kinds.indexOf('name'), 0));
  const mendable = (row: Row, column: number) =>
    !!unread(row, column) || (row.fate === 'no_name' && column === nameColumn);
  const wanted = (row: Row, column: number) => {
    const what = unread(row, column);
    return say.takeIn.cell(row.number, head(column), what ? say.takeIn.wanted[what] : 'a name');
  };
  // How many rows are not shown: of those that need a look, and of those that don't.
  const needing = $derived.by(() => {
    const { twice, no_name, out, unread } = seen.counts;
    return twice + no_name + out + unread;
  });
  const hidden = $derived(seen.fine + needing - seen.rows.length);
</script>

{#if seen.rows.length}
  <div class="scroll">
    <table class="lines w-auto min-w-full" aria-label={say.takeIn.rows}>
      <thead>
        <tr>
          <th scope="col">{say.takeIn.fate}</th>
          {#each columns as i (i)}
            <th scope="col">
              {#if seen.table}
                <span class="head">{head(i)}</span>
                <select
                  class="plain"
                  aria-label={say.takeIn.holds(head(i))}
                  value={seen.kinds[i] ?? ''}
                  onchange={(e) =>
                    importing.kind(i, (e.currentTarget.value || null) as Preview['kinds'][number])}
                >
                  <option value="">{say.takeIn.notTaken}</option>
                  {#each KINDS as [key, words] (key)}<option value={key}>{words}</option>{/each}
                </select>
              {:else}{say.takeIn.kinds['name']}{/if}
            </th>
          {/each}
        </tr>
      </thead>
      <tbody>
        {#each seen.rows as row (row.place)}
          <tr class={row.fate}>
            <td class="fate max-w-[18rem] wrap-anywhere align-top">
              {say.takeIn.fates[row.fate]}
              {#if row.fate !== 'no_name'}
                <button
                  type="button"
                  class="link"
                  aria-label={row.fate === 'out'
                    ? say.takeIn.takeRow(row.number)
                    : say.takeIn.leaveRow(row.number)}
                  onclick={() => importing.leaveOut(row.place, row.fate !== 'out')}
                  >{row.fate === 'out' ? say.takeIn.take : say.takeIn.leave}</button
                >
              {/if}
              {#if row.says}<p class="small">{row.says}</p>{/if}
            </td>
            {#each columns as i (i)}
              <td
                class="max-w-[18rem] wrap-anywhere align-top"
                class:mono={seen.kinds[i] === 'name'}
                class:idle={!seen.kinds[i]}
              >
                {#if mendable(row, i)}
                  <input
                    class="plain w-full min-w-[8rem]"
                    aria-label={wanted(row, i)}
                    aria-invalid="true"
                    value={row.cells[i] ?? ''}
                    onchange={(e) => importing.mend(row.place, i, e.currentTarget.value)}
                  />
                  {#if unread(row, i) && !asked(i)}<p class="small">
                      {say.takeIn.wanted[unread(row, i)!]}
                    </p>{/if}
                {:else}{row.cells[i] ?? ''}{/if}
              </td>
            {/each}
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
  {#if hidden > 0}<p class="muted">{say.takeIn.others(hidden)}</p>{/if}
{/if}

<style>
  .scroll {
    overflow-x: auto;
    max-height: 28rem;
  }
  th {
    text-align: left;
    vertical-align: bottom;
    font-weight: inherit;
  }
  .head {
    display: block;
    font-weight: 600;
  }
  .fate {
    min-width: 9rem;
    overflow-wrap: normal;
  }
  .idle {
    color: var(--muted);
  }
  .no_name .fate,
  [aria-invalid] {
    color: var(--madder);
  }
  .twice .fate {
    color: var(--ochre);
  }
  .out td {
    color: var(--muted);
  }
  .small {
    font-size: var(--note);
    max-width: 22rem;
  }
</style>
