<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button, Label, Textarea } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import { refresh } from '../../lib/live.svelte';
  import { may } from '../../lib/session.svelte';
  import { say } from '../../lib/say';
  import { whole } from '../../lib/work';
  import { p } from '../../router';
  import Field from '../../parts/Field.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import Fates from '../names/Fates.svelte';

  /**
   * From nothing to the first judged name: where records are found, who holds the names, the names.
   */
  const client = useQueryClient();
  const settings = createQuery(() => ({
    queryKey: ['settings'],
    queryFn: () => ask(api.GET('/api/settings')),
    enabled: may('setSetting'),
  }));
  let url = $state(say.places.rfcAddress);
  const records = createMutation(() => ({
    mutationFn: () =>
      ask(api.POST('/api/settings', { body: { key: 'bootstrap', value: { url } } })),
    onSuccess: (data) => client.setQueryData(['settings'], data),
  }));
  let title = $state('');
  let site = $state('');
  let login = $state('');
  let text = $state('');
  let far = $state<{ done: number; of: number }>();
  type Answer = Schemas['TakenIn'] | (Schemas['Working'] & { job: string });
  const take = createMutation(() => ({
    mutationFn: async () => {
      const made = await ask(
        api.POST('/api/accounts', {
          body: {
            title,
            registrar: title,
            kind: 'by_hand',
            habits: {
              ...(site.trim() ? { site: site.trim() } : {}),
              ...(login.trim() ? { login: login.trim() } : {}),
            },
          },
        }),
      );
      account = made.id;
      const answer: Answer = await ask(
        api.POST('/api/names', { body: { account: made.id, text } }),
      );
      return whole<Schemas['TakenIn']>(
        answer,
        (job) => ask(api.GET('/api/jobs/{job}', { params: { path: { job } } })),
        (so) => (far = so),
      );
    },
    onSuccess: () => void refresh(client, 'names', 'accounts'),
  }));
  const lines = $derived(take.data?.lines ?? []);
  const first = $derived(lines.find((l) => l.name && l.fate !== 'refused')?.name);
  // The registrar that the public record names, where it is called otherwise than the account.
  let account = $state('');
  const judged = createQuery(() => ({
    queryKey: ['name', first],
    queryFn: () => ask(api.GET('/api/names/{name}', { params: { path: { name: first! } } })),
    enabled: !!first,
  }));
  const other = $derived(judged.data?.facts.find((f) => f.key === 'other_registrar')?.value);
  const shown = $derived(
    other ? String(judged.data?.facts.find((f) => f.key === 'registrar')?.value ?? '') : '',
  );
  const same = createMutation(() => ({
    mutationFn: async () => {
      const path = { params: { path: { id: account } } };
      await ask(
        api.POST('/api/accounts/{id}', { ...path, body: { habits: { registrar_names: [shown] } } }),
      );
      const names = lines.filter((l) => l.name && l.fate !== 'refused').map((l) => l.name!);
      return ask(api.POST('/api/names/look', { body: { names } }));
    },
    onSuccess: () => refresh(client, 'names', 'accounts'),
  }));
  const on = $derived(!!settings.data?.bootstrap.url);
  const given = (act: () => void) => (e: SubmitEvent) => {
    e.preventDefault();
    act();
  };
</script>

<main class="view">
  <h1>{say.begin.begin}</h1>
  <p>{say.begin.lead}</p>
  <section class="panel" aria-label={say.begin.records}>
    <h2>{say.begin.records}</h2>
    {#if on}
      <p>{say.begin.recordsAreFound(settings.data?.bootstrap.url ?? '')}</p>
    {:else}
      <p class="muted">{say.begin.whyRecords}</p>
      <form onsubmit={given(() => records.mutate())}>
        <Field id="begin-url" label={say.places.listAddress} mono required bind:value={url} />
        <div>
          <Button color="alternative" type="submit" disabled={records.isPending}
            >{say.begin.findRecords}</Button
          >
        </div>
      </form>
    {/if}
    <Trouble error={settings.error ?? records.error} />
  </section>
  <section class="panel" aria-label={say.begin.names}>
    <h2>{say.begin.names}</h2>
    {#if take.data}
      <Fates {lines} />
      {#if shown && account && shown !== title}
        <p>
          {say.begin.recordCalls(shown)}
          <Button
            size="sm"
            color="alternative"
            disabled={same.isPending}
            onclick={() => same.mutate()}>{say.begin.itIsThatOne(title)}</Button
          >
        </p>
        <Trouble error={same.error} />
      {/if}
      {#if first}
        <p>
          <Button color="alternative" href={p('/names/:name', { params: { name: first } })}
            >{say.begin.seeTheFirst(first)}</Button
          >
        </p>
      {/if}
    {:else}
      <form onsubmit={given(() => take.mutate())}>
        <Field id="begin-title" label={say.begin.registrar} required bind:value={title} />
        <Field id="begin-site" label={say.fields.pagesAddress} type="url" mono bind:value={site} />
        <Field
          id="begin-login"
          label={say.fields.signInThere}
          mono
          autocomplete="off"
          bind:value={login}
        />
        <div class="wide">
          <Label for="begin-names">{say.begin.theNames}</Label>
          <Textarea id="begin-names" class="w-full font-mono" rows={4} required bind:value={text} />
        </div>
        <div>
          <Button color="alternative" type="submit" disabled={take.isPending}
            >{say.begin.takeThemIn}</Button
          >
        </div>
      </form>
      {#if far}<p role="status">{say.takeIn.ofLookedUp(far.done, far.of)}</p>{/if}
    {/if}
    <Trouble error={take.error} />
  </section>
  <section class="panel" aria-label={say.begin.afterwards}>
    <h2>{say.begin.afterwards}</h2>
    <p>
      {say.begin.whatCanWait} <a href={p('/accounts')}>{say.begin.accountsPart}</a>.
    </p>
  </section>
</main>

<style>
  form {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(14rem, 1fr));
    gap: 8px;
    align-items: end;
  }
  .wide {
    grid-column: 1 / -1;
  }
  section {
    margin-top: 16px;
  }
</style>
