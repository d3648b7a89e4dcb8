<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import { refresh } from '../../lib/live.svelte';
  import { may } from '../../lib/session.svelte';
  import { say } from '../../lib/say';
  import { p } from '../../router';
  import Field from '../../parts/Field.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import Import from '../names/Import.svelte';

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
  let to = $state('');
  let site = $state('');
  let login = $state('');
  const byHand = (name: string, habits: Record<string, string>) =>
    ask(
      api.POST('/api/accounts', {
        body: { title: name, registrar: name, kind: 'by_hand', habits },
      }),
    );
  /** Makes the accounts once, however often it is tried. */
  async function holder() {
    if (!account && title.trim())
      account = (
        await byHand(title, {
          ...(site.trim() ? { site: site.trim() } : {}),
          ...(login.trim() ? { login: login.trim() } : {}),
        })
      ).id;
    if (to.trim() && !destination) destination = (await byHand(to.trim(), {})).id;
    return account;
  }
  let done = $state<Schemas['ImportState']>();
  const off = $derived(new Set(done?.refused.map((r) => r.name)));
  const stay = $derived((done?.names ?? []).map((n) => n.name).filter((name) => !off.has(name)));
  const first = $derived(stay[0]);
  // The registrar that the public record names, where it is called otherwise than the account.
  let account = $state('');
  let destination = $state('');
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
      return ask(api.POST('/api/names/look', { body: { names: stay } }));
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
  <section class="panel mt-4" aria-label={say.begin.records}>
    <h2>{say.begin.records}</h2>
    {#if on}
      <p>{say.begin.recordsAreFound(settings.data?.bootstrap.url ?? '')}</p>
    {:else}
      <p class="muted">{say.begin.whyRecords}</p>
      <form
        class="grid grid-cols-[repeat(auto-fit,minmax(14rem,1fr))] gap-2 items-end"
        onsubmit={given(() => records.mutate())}
      >
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
  <section class="panel mt-4" aria-label={say.begin.names}>
    <h2>{say.begin.names}</h2>
    {#if !done}
      <div class="fields grid grid-cols-[repeat(auto-fit,minmax(14rem,1fr))] gap-2 items-end">
        <Field id="begin-title" label={say.begin.registrar} required bind:value={title} />
        <Field id="begin-to" label={say.begin.whereTo} bind:value={to} />
        <Field id="begin-site" label={say.fields.pagesAddress} type="url" mono bind:value={site} />
        <Field
          id="begin-login"
          label={say.fields.signInThere}
          mono
          autocomplete="off"
          bind:value={login}
        />
      </div>
    {/if}
    <Import {holder} ready={!!title.trim()} label={say.begin.theNames} bind:done />
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
        <Button
          color="alternative"
          href={destination
            ? p('/names/:name/plan', { params: { name: first }, search: { to: destination } })
            : p('/names/:name', { params: { name: first } })}
          >{destination ? say.begin.planTheFirst(first, to) : say.begin.seeTheFirst(first)}</Button
        >
      </p>
    {/if}
  </section>
  <section class="panel mt-4" aria-label={say.begin.afterwards}>
    <h2>{say.begin.afterwards}</h2>
    <p>
      {say.begin.whatCanWait} <a href={p('/accounts')}>{say.begin.accountsPart}</a>.
    </p>
  </section>
</main>
