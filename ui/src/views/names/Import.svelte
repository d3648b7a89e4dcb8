<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button, Label, Select, Textarea } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import { Importing } from '../../lib/importing.svelte';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';
  import { p } from '../../router';
  import FileButton from '../../parts/FileButton.svelte';
  import May from '../../parts/May.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import ImportQuestions from './ImportQuestions.svelte';
  import ImportRows from './ImportRows.svelte';
  import Imported from './Imported.svelte';

  /**
   * Names pasted, dropped or from a file: shown as they were understood, mended, and only then
   * added. Where the account is made on the way (`holder`), nobody is asked which it is.
   */
  let {
    holder,
    ready = true,
    label = say.takeIn.pasted,
    done = $bindable(),
  }: {
    holder?: () => Promise<string>;
    ready?: boolean;
    label?: string;
    done?: Schemas['ImportState'] | undefined;
  } = $props();

  const client = useQueryClient();
  const places = createQuery(() => ({
    queryKey: ['accounts'],
    queryFn: () => ask(api.GET('/api/accounts')),
    enabled: !holder,
  }));
  const accounts = $derived(places.data?.accounts ?? []);
  const importing = new Importing();
  const seen = $derived(importing.seen);
  let text = $state('');
  let over = $state(false);
  // Names of which no row says the account belong to one that is chosen, or the only one.
  const chosen = $derived(importing.choices.account ?? accounts[0]?.id ?? '');
  const unnamed = $derived(!seen || !!seen.unnamed);

  const take = createMutation(() => ({
    mutationFn: async () => {
      // Accounts that are made on the way are there before the rows are looked at.
      const made = await holder?.();
      const account = unnamed ? (holder ? made : chosen) : undefined;
      const body = { ...importing.body, ...(account && { account }) };
      return ask(api.POST('/api/names', { body }));
    },
    onSuccess: (state) => {
      done = state;
      text = '';
      importing.type('');
      void refresh(client, 'names', 'accounts');
    },
  }));

  async function file([first]: File[]) {
    if (!first) return;
    text = await first.text();
    importing.type(text);
  }
  function drop(e: DragEvent) {
    over = false;
    const files = [...(e.dataTransfer?.files ?? [])];
    if (!files.length) return;
    e.preventDefault();
    void file(files);
  }
  function submit(e: SubmitEvent) {
    e.preventDefault();
    take.mutate();
  }
</script>

<form class="grid gap-4 my-4 mx-0 min-w-0" onsubmit={submit} aria-label={say.takeIn.takeNamesIn}>
  {#if !holder && unnamed}
    <div class="who max-w-[24rem]">
      <Label for="account">{say.takeIn.holder}</Label>
      {#if places.data && !accounts.length}
        <p>{say.takeIn.noAccount} <a href={p('/begin')}>{say.takeIn.beginWithOne}</a></p>
      {:else}
        <Select
          id="account"
          placeholder=""
          items={accounts.map((a) => ({ value: a.id, name: a.title }))}
          value={chosen}
          onchange={(e: Event) =>
            importing.choose({ account: (e.currentTarget as HTMLSelectElement).value })}
        />
      {/if}
    </div>
  {/if}
  <!-- svelte-ignore a11y_no_static_element_interactions (files are chosen by the button, too) -->
  <div
    class="drop rounded-(--radius)"
    class:over
    ondragover={(e) => {
      e.preventDefault();
      over = true;
    }}
    ondragleave={() => (over = false)}
    ondrop={drop}
  >
    <Label for="text">{label}</Label>
    <Textarea
      id="text"
      rows={seen?.table ? 3 : 6}
      class="w-full font-mono"
      bind:value={text}
      oninput={() => importing.type(text)}
      required
    />
    <FileButton
      id="take-file"
      label={say.takeIn.fromFile}
      accept=".csv,.tsv,.txt,text/csv,text/plain"
      chosen={(files) => void file(files)}
    />
    <span class="muted">{say.takeIn.orDrop}</span>
  </div>
  {#if seen}
    <p role="status" class="sum flex flex-wrap gap-y-1 gap-x-4 items-baseline">
      <strong>{say.takeIn.sum(seen.counts)}</strong>
      {#if importing.stale}<span class="muted">{say.takeIn.looking}</span>{/if}
      {#if seen.table}
        <button type="button" class="link" onclick={() => importing.choose({ as: 'names' })}
          >{say.takeIn.asNames}</button
        >
      {:else if importing.choices.as === 'names'}
        <button type="button" class="link" onclick={() => importing.choose({ as: 'table' })}
          >{say.takeIn.asTable}</button
        >
      {/if}
    </p>
    <ImportQuestions {importing} {seen} {accounts} />
    <ImportRows {importing} {seen} />
    <May operation="takeIn">
      <div class="flex flex-wrap gap-y-1 gap-x-4 items-baseline">
        <Button
          color="alternative"
          type="submit"
          disabled={take.isPending ||
            importing.stale ||
            !importing.count ||
            (unnamed && (holder ? !ready : !chosen))}>{say.takeIn.add(seen.counts)}</Button
        >
        {#if seen.counts.unread}<span class="muted">{say.takeIn.unread(seen.counts.unread)}</span
          >{/if}
      </div>
    </May>
  {/if}
</form>
<Trouble error={take.error ?? importing.error ?? places.error} />
{#if done}<Imported id={done.id} first={done} />{/if}

<style>
  .drop.over {
    outline: 2px dashed var(--focus);
    outline-offset: 4px;
  }
</style>
