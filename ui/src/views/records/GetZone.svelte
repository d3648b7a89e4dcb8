<script lang="ts">
  import { at } from '../../lib/base';
  import { createMutation } from '@tanstack/svelte-query';
  import { Button, Label, Textarea } from 'flowbite-svelte';
  import { untrack } from 'svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import Choice from '../../parts/Choice.svelte';
  import Field from '../../parts/Field.svelte';
  import May from '../../parts/May.svelte';
  import FileButton from '../../parts/FileButton.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';
  import { say } from '../../lib/say';

  /** How the present zone is got, and how complete what is held is. */
  let { records, done }: { records: Schemas['Records']; done: () => void } = $props();
  const copy = $derived(records.copies[0]);
  let giving = $state(untrack(() => false));
  let source = $state('file');
  let text = $state('');
  let keep = $state(false);
  let more = $state('');
  const get = createMutation(() => ({
    mutationFn: (body: Schemas['ZoneGiven']) =>
      ask(api.POST('/api/records/{name}/zone', { params: { path: { name: records.name } }, body })),
    onSuccess: () => {
      giving = false;
      text = '';
      done();
    },
  }));
  const probe = () => get.mutate({ source: 'probe', more: more.split(/[\s,]+/).filter(Boolean) });
  function give(e: SubmitEvent) {
    e.preventDefault();
    get.mutate({ source: source as 'file', text, keep });
  }
  async function picked([file]: File[]) {
    if (file) text = await file.text();
  }
</script>

{#if copy}
  <p>
    {copy.says}
    <span class="muted"
      >{say.getZone.held} <When at={copy.seen_at} /> {say.getZone.by} {copy.by}.</span
    >
    <a href={at(`/api/records/${records.name}/file?side=old`)} download>{say.getZone.saveOld}</a>
  </p>
  {#if copy.left.length}
    <details class="my-1 mx-0">
      <summary>{say.getZone.notTaken(copy.left.length)}</summary>
      <ul>
        {#each copy.left as l, i (i)}<li>{l.line ? say.getZone.line(l.line) : ''}{l.why}</li>{/each}
      </ul>
    </details>
  {/if}
{:else}<p>{say.getZone.none}</p>{/if}
<Trouble error={get.error} />
<May operation="getZone">
  <div class="acts gap-2 my-2 mx-0">
    {#each [['transfer', say.getZone.transfer], ['walk', say.getZone.walk]] as [way, words] (way)}
      <Button
        size="sm"
        color="alternative"
        disabled={get.isPending}
        onclick={() => get.mutate({ source: way as 'walk' })}>{words}</Button
      >
    {/each}
    <Button size="sm" color="alternative" disabled={get.isPending} onclick={probe}
      >{say.getZone.probe}</Button
    >
    <Button size="sm" color="alternative" aria-expanded={giving} onclick={() => (giving = !giving)}
      >{say.getZone.give}</Button
    >
    {#if get.isPending}<span role="status" class="muted">{say.getZone.working}</span>{/if}
  </div>
  {#if giving}
    <form onsubmit={give} class="box raised grid gap-2 p-4">
      <Choice
        id="z-source"
        label={say.getZone.what}
        of={[
          ['file', say.getZone.file],
          ['table', say.getZone.table],
        ]}
        bind:value={source}
      />
      <div>
        <Label for="z-text">{say.getZone.text}</Label>
        <Textarea id="z-text" rows={8} class="w-full font-mono" required bind:value={text} />
      </div>
      <p>
        <FileButton
          id="z-file"
          label={say.getZone.pick}
          accept=".zone,.txt,.db,text/plain"
          chosen={(files) => void picked(files)}
        />
      </p>
      <label class="wrap-anywhere"
        ><input type="checkbox" bind:checked={keep} /> {say.getZone.keep}</label
      >
      <div>
        <Button color="alternative" type="submit" disabled={get.isPending || !text.trim()}
          >{say.getZone.take}</Button
        >
      </div>
    </form>
  {/if}
  {#if copy?.source === 'probe'}
    <div class="acts probe gap-2 my-2 mx-0 items-end">
      <Field id="z-more" label={say.getZone.more} mono bind:value={more} />
      <Button size="sm" color="alternative" disabled={get.isPending || !more.trim()} onclick={probe}
        >{say.getZone.probe}</Button
      >
    </div>
  {/if}
</May>
