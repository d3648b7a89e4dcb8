<script lang="ts">
  import { put, type Asked, type NameList } from '../../lib/list';
  import { day, GATES_ALONE } from '../../lib/words';
  import { say } from '../../lib/say';

  /** The list stands as it would on another day, or towards one destination: what changes then. */
  let { what, list }: { what: Asked & { at: string }; list: NameList } = $props();
  const short = (kind: string) => GATES_ALONE[kind as keyof typeof GATES_ALONE].toLowerCase();
</script>

<p class="line">
  <span>{say.whatIf.asIfOn} <strong>{day(what.at)}</strong>{say.whatIf.asIfProvided}</span>
  {#each list.changes as c, i (c.was + c.is)}<span
      >{say.whatIf.fromTo(c.count, short(c.was), short(c.is))}{i < list.changes.length - 1
        ? ','
        : '.'}</span
    >{:else}<span>{say.whatIf.asIfSame}</span>{/each}
  {#if list.changes.length}
    <button
      class="link aria-pressed:font-semibold"
      aria-pressed={!!what.changed}
      onclick={() => put('changed', what.changed ? undefined : '1')}
      >{say.whatIf.onlyChanged}</button
    >
  {/if}
  <button
    class="link"
    onclick={() => {
      put('at', undefined);
      put('changed', undefined);
    }}>{say.whatIf.backToNow}</button
  >
</p>

<style>
  .line {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 16px;
    padding: 4px 16px;
    margin-bottom: 8px;
    background: var(--slate-soft);
    border-left: 4px solid var(--focus);
  }
</style>
