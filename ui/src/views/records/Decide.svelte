<script lang="ts">
  import { Button, Label, Textarea } from 'flowbite-svelte';
  import { untrack } from 'svelte';
  import type { Schemas } from '../../lib/api';
  import Field from '../../parts/Field.svelte';
  import { say } from '../../lib/say';

  /** What becomes of one record set. */
  let {
    row,
    decide,
    cancel,
    busy,
  }: {
    row: Schemas['RecordsRow'];
    decide: (body: Omit<Schemas['RecordsDecision'], 'sets'>) => void;
    cancel: () => void;
    busy: boolean;
  } = $props();
  type What = 'carry' | 'keep' | 'edit' | 'leave';
  let choice = $state<What>(
    untrack(() => (row.decision?.choice as What | undefined) ?? (row.old ? 'carry' : 'keep')),
  );
  let text = $state(
    untrack(() => row.decision?.text ?? (row.old ?? row.new)?.data.join('\n') ?? ''),
  );
  let ttl = $state(untrack(() => String(row.decision?.ttl ?? (row.old ?? row.new)?.ttl ?? 3600)));
  let reason = $state(untrack(() => row.decision?.reason ?? ''));
  const of = $derived(
    (
      [
        ['carry', say.carrySheet.carry, row.old !== null],
        ['keep', say.carrySheet.keep, row.new !== null],
        ['edit', say.carrySheet.edit, true],
        ['leave', say.carrySheet.leave, true],
      ] as const
    ).filter(([, , there]) => there),
  );
  function keep(e: SubmitEvent) {
    e.preventDefault();
    if (choice === 'edit') decide({ choice, text, ttl: Number(ttl), reason: reason || null });
    else decide({ choice, reason: reason || null });
  }
</script>

<form class="box raised grid gap-2 py-2 px-4" onsubmit={keep}>
  <fieldset class="flex flex-wrap gap-y-2 gap-x-4">
    <legend class="hidden-words">{say.carrySheet.decide}</legend>
    {#each of as [value, words] (value)}
      <label><input type="radio" name="d-{row.set}" {value} bind:group={choice} /> {words}</label>
    {/each}
  </fieldset>
  {#if choice === 'edit'}
    <div>
      <Label for="d-text">{say.carrySheet.data}</Label>
      <Textarea id="d-text" rows={3} class="w-full font-mono" bind:value={text} />
    </div>
    <Field id="d-ttl" label={say.carrySheet.ttlSeconds} pattern="[0-9]+" bind:value={ttl} />
  {/if}
  {#if choice === 'leave'}<Field
      id="d-why"
      label={say.carrySheet.reason}
      required
      bind:value={reason}
    />{/if}
  <div class="acts">
    <Button color="alternative" size="sm" type="submit" disabled={busy}
      >{say.carrySheet.keepIt}</Button
    >
    {#if row.decision}<Button
        size="sm"
        color="alternative"
        disabled={busy}
        onclick={() => decide({ choice: null })}>{say.carrySheet.undo}</Button
      >{/if}
    <Button size="sm" color="alternative" onclick={cancel}>{say.carrySheet.cancel}</Button>
  </div>
</form>
