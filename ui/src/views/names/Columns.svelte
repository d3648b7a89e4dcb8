<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { say } from '../../lib/say';

  let {
    look,
    columns = $bindable(),
  }: { look: Schemas['TableLook']; columns: Record<string, number> } = $props();
  const WHAT: [string, string][] = [
    ['name', say.columns.name],
    ['account', say.columns.account],
    ['expires_at', say.columns.expiry],
    ['paid', say.columns.periodPaid],
    ['privacy', say.columns.privacy],
    ['registrant_email', say.columns.registrantEmail],
    ['premium', say.columns.ownPrice],
    ['lock', say.columns.lock],
    ['auto_renew', say.columns.autoRenew],
    ['name_servers', say.columns.nameServers],
    ['stay_price', say.columns.stayPrice],
    ['note', say.columns.note],
  ];
  function set(key: string, value: string) {
    const rest = Object.entries(columns).filter(([k]) => k !== key);
    columns = Object.fromEntries(value === '' ? rest : [...rest, [key, Number(value)]]);
  }
</script>

<fieldset>
  <legend>{say.columns.columnsTitle}</legend>
  {#each WHAT as [key, title] (key)}
    <label>
      {title}
      <select
        class="plain"
        value={String(columns[key] ?? '')}
        onchange={(e) => set(key, e.currentTarget.value)}
      >
        <option value="">{key === 'name' ? say.columns.columnNone : say.columns.none}</option>
        {#each look.header as head, i (i)}<option value={String(i)}
            >{head || say.columns.column(i + 1)}</option
          >{/each}
      </select>
    </label>
  {/each}
  <p class="muted mono first">{look.rows.map((r) => r.join(' | ')).join('\n')}</p>
</fieldset>

<style>
  fieldset {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(13rem, 1fr));
    gap: 8px 16px;
    border: 1px solid var(--line);
    border-radius: var(--radius);
    padding: 8px 16px;
  }
  label {
    display: grid;
  }
  .first {
    grid-column: 1 / -1;
    white-space: pre-wrap;
    overflow-wrap: anywhere;
    font-size: var(--note);
  }
</style>
