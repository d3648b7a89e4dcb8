<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { dayOf, morning } from '../../lib/days';
  import { single } from '../../lib/keys';
  import { put, type Asked, type NameList } from '../../lib/list';
  import { day, GATES_ALONE, plainDay } from '../../lib/words';
  import { say } from '../../lib/say';

  let {
    what,
    list,
    accounts,
  }: { what: Asked; list: NameList | undefined; accounts: Schemas['Accounts']['accounts'] } =
    $props();
  let field = $state<HTMLInputElement>();
  const short = (kind: string) => GATES_ALONE[kind as keyof typeof GATES_ALONE].toLowerCase();
  const today = $derived(dayOf(clock.now));
  let past = $state(false);

  function set(date: string) {
    past = date !== '' && date < today;
    if (!past) put('at', date && date !== today ? morning(date) : undefined);
  }

  function onkeydown(e: KeyboardEvent) {
    if (!single(e, 't')) return;
    e.preventDefault();
    field?.focus();
  }
</script>

<svelte:window {onkeydown} />
<div class="whatif" class:on={what.at}>
  <label>
    {say.whatIf.asIfTitle}
    <input
      class="plain"
      type="date"
      bind:this={field}
      title={say.whatIf.asIfKey}
      min={today}
      value={what.at ? dayOf(what.at) : ''}
      aria-invalid={past}
      aria-describedby={past ? 'past' : undefined}
      onchange={(e) => set(e.currentTarget.value)}
    />
  </label>
  <label>
    {say.whatIf.goingTo}
    <select class="plain" value={what.to ?? ''} onchange={(e) => put('to', e.currentTarget.value)}>
      <option value="">{say.whatIf.anywhere}</option>
      {#each accounts as a (a.id)}<option value={a.id}>{a.title}</option>{/each}
    </select>
  </label>
  {#if past}<p id="past" role="alert">{say.whatIf.past(plainDay(today))}</p>{/if}
  {#if what.at && list}
    <p>
      {say.whatIf.asIfOn} <strong>{day(what.at)}</strong>{say.whatIf.asIfProvided}
      {#each list.changes as c, i (c.was + c.is)}<span class="change"
          >{say.whatIf.fromTo(c.count, short(c.was), short(c.is))}{i < list.changes.length - 1
            ? ','
            : '.'}</span
        >{:else}{say.whatIf.asIfSame}{/each}
    </p>
    {#if list.changes.length}
      <button
        aria-pressed={!!what.changed}
        onclick={() => put('changed', what.changed ? undefined : '1')}
        >{say.whatIf.onlyChanged}</button
      >
    {/if}
    <button
      onclick={() => {
        put('at', undefined);
        put('changed', undefined);
      }}>{say.whatIf.backToNow}</button
    >
  {/if}
</div>

<style>
  .whatif {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 16px;
    align-items: center;
  }
  .on {
    background: var(--slate-soft);
    border-left: 4px solid var(--focus);
    padding: 4px 16px;
  }
  .change {
    margin-right: 16px;
  }
  button {
    color: var(--loden);
    text-decoration: underline;
    cursor: pointer;
  }
  button[aria-pressed='true'] {
    font-weight: 600;
  }
</style>
