<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button, Label, Select, Textarea } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import { whole } from '../../lib/work';
  import Sheet from '../../parts/Sheet.svelte';
  import FileButton from '../../parts/FileButton.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import Columns from './Columns.svelte';
  import Fates from './Fates.svelte';
  import May from '../../parts/May.svelte';
  import { say } from '../../lib/say';

  const client = useQueryClient();
  const places = createQuery(() => ({
    queryKey: ['accounts'],
    queryFn: () => ask(api.GET('/api/accounts')),
  }));
  let text = $state('');
  let chosen = $state('');
  let progress = $state<{ done: number; of: number }>();
  let look = $state<Schemas['TableLook']>();
  let columns = $state<Record<string, number>>({});
  const account = $derived(chosen || places.data?.accounts[0]?.id || '');

  type Answer = Schemas['TakenIn'] | (Schemas['Working'] & { job: string });
  const followed = (answer: Answer) =>
    whole<Schemas['TakenIn']>(
      answer,
      (job) => ask(api.GET('/api/jobs/{job}', { params: { path: { job } } })),
      (far) => (progress = far),
    ).then((a) => a.lines);
  const take = createMutation(() => ({
    mutationFn: async () => {
      const { name, ...rest } = columns;
      const mapped = look && name !== undefined ? { columns: { name, ...rest } } : {};
      return followed(await ask(api.POST('/api/names', { body: { account, text, ...mapped } })));
    },
    onSettled: () => {
      progress = undefined;
      void client.invalidateQueries({ queryKey: ['names'] });
    },
  }));
  const table = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/names/table', { body: { text } })),
    onSuccess: (data) => {
      look = data;
      columns = { ...data.guess };
    },
  }));

  async function file([chosenFile]: File[]) {
    if (!chosenFile) return;
    text = await chosenFile.text();
    table.mutate();
  }
  function submit(e: SubmitEvent) {
    e.preventDefault();
    take.mutate();
  }
</script>

<Sheet title={say.takeIn.takeNamesIn} back="/names">
  <p class="muted">
    {say.takeIn.eachNameIsLookedUp}
  </p>
  <form onsubmit={submit}>
    <Label for="account">{say.takeIn.holder}</Label>
    <Select
      id="account"
      placeholder=""
      items={(places.data?.accounts ?? []).map((a) => ({ value: a.id, name: a.title }))}
      value={account}
      onchange={(e: Event) => (chosen = (e.currentTarget as HTMLSelectElement).value)}
    />
    <Label for="text">{say.takeIn.pasted}</Label>
    <Textarea
      id="text"
      rows={6}
      class="w-full"
      bind:value={text}
      oninput={() => (look = undefined)}
      required
    />
    <div class="table">
      <FileButton
        id="take-file"
        label={say.takeIn.fromFile}
        accept=".csv,.txt,text/csv,text/plain"
        chosen={(files) => void file(files)}
      />
      <Button color="alternative" disabled={!text || table.isPending} onclick={() => table.mutate()}
        >{say.takeIn.isTable}</Button
      >
    </div>
    {#if look}<Columns {look} bind:columns />{/if}
    <div>
      <May operation="takeIn"
        ><Button
          color="alternative"
          type="submit"
          disabled={take.isPending || !account || (!!look && columns.name === undefined)}
          >{say.takeIn.takeThemIn}</Button
        ></May
      >
    </div>
  </form>
  {#if progress}
    <p role="status">
      {say.takeIn.ofLookedUp(progress.done, progress.of)}
      <progress max={progress.of} value={progress.done}></progress>
    </p>
  {/if}
  <Trouble error={take.error ?? table.error ?? places.error} />
  {#if take.data}<Fates lines={take.data} />{/if}
</Sheet>

<style>
  form {
    display: grid;
    gap: 8px;
    margin: 16px 0;
  }
  .table {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 16px;
    align-items: center;
  }
</style>
