<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import { clock } from '../../lib/clock.svelte';
  import { when } from '../../lib/words';
  import Field from '../../parts/Field.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import Mailboxes from './Mailboxes.svelte';
  import MapSetting from './MapSetting.svelte';
  import Outgoing from './Outgoing.svelte';
  import Rates from './Rates.svelte';
  import Setting from './Setting.svelte';
  import Webhooks from './Webhooks.svelte';
  import { say } from '../../lib/say';

  /** What the desk asks outside and how it writes: a line each, its form on demand. */
  type Map = Record<string, string>;
  const client = useQueryClient();
  const settings = createQuery(() => ({
    queryKey: ['settings'],
    queryFn: () => ask(api.GET('/api/settings')),
  }));
  const status = createQuery(() => ({
    queryKey: ['status'],
    queryFn: () => ask(api.GET('/api/status')),
  }));
  const hooks = createQuery(() => ({
    queryKey: ['people', 'webhooks'],
    queryFn: () => ask(api.GET('/api/webhooks')),
  }));
  const change = createMutation(() => ({
    mutationFn: (body: { key: string; value: Record<string, string | number | boolean> | null }) =>
      ask(api.POST('/api/settings', { body })),
    onSuccess: (data) => client.setQueryData(['settings'], data),
  }));
  const set = (key: string, value: Record<string, string | number | boolean> | null) =>
    change.mutate({ key, value });
  const s = $derived(settings.data);
  const boxes = $derived(status.data?.connections.filter((c) => c.kind === 'IMAP') ?? []);
  const mute = $derived(boxes.find((b) => !b.well && b.heard_at));
  const read = $derived(boxes.map((b) => b.well_at ?? '').sort()[0]);
  const mailbox = $derived.by(() => {
    if (!s?.mailboxes.length) return say.places.mailboxNone;
    if (mute) return mute.says;
    const logins = s.mailboxes.map((m) => m.login).join(', ');
    return read
      ? `${say.settings.reads(logins)}, ${when(read, clock.now)}`
      : say.settings.notRead(logins);
  });
  const out = $derived(s?.outgoing);
  const list = $derived.by(() => {
    if (!s?.bootstrap.url) return say.places.listMissing;
    return s.bootstrap.fetched_at
      ? say.places.suffixesKnown(s.bootstrap.suffixes)
      : say.settings.notYet;
  });
  const count = (map: unknown) => say.settings.entries(Object.keys((map ?? {}) as Map).length);
  let url = $state('');
  let region = $state('');

  function keepUrl(e: SubmitEvent) {
    e.preventDefault();
    set('bootstrap', { url: url || s?.bootstrap.url || say.places.rfcAddress });
  }
  function keepRegion(e: SubmitEvent) {
    e.preventDefault();
    set('holidays', { region: region.trim().toLowerCase() });
  }
</script>

<h1 class="answer">
  {s && !s.mailboxes.length ? say.settings.noMailbox : mute ? say.settings.mute : say.settings.head}
</h1>
<Trouble error={settings.error ?? change.error} />
{#if s}
  <div class="lines grid gap-1 grid-cols-1">
    <Setting title={say.places.mailbox} state={mailbox} bad={!!mute}>
      <Mailboxes settings={s} />
    </Setting>
    <Setting
      title={say.places.outgoingTitle}
      state={out
        ? say.places.fromBy(out.from, out.host, out.port)
        : say.places.noneLettersAreSentBy}
    >
      <Outgoing set={(value) => set('outgoing', value)} />
    </Setting>
    <Setting title={say.places.listOfServices} state={list}>
      <p class="muted">
        {#if s.bootstrap.url}{say.places.listFetched(s.bootstrap.url)}
          <button class="link" onclick={() => set('bootstrap', null)}>{say.places.switchOff}</button
          >{/if}
      </p>
      <form onsubmit={keepUrl}>
        <Field
          id="b-url"
          label={say.places.listAddress}
          mono
          placeholder={say.places.rfcAddress}
          bind:value={url}
        />
        <div><Button type="submit" color="alternative">{say.places.fetchIt}</Button></div>
      </form>
    </Setting>
    <Setting title={say.places.publicRecordsTitle} state={count(s.rdap_bases)}>
      <MapSetting
        id="r"
        held={s.rdap_bases as Map}
        name={say.places.suffix}
        place={say.places.recordUrl}
        prefix="."
        keep={(rows) => set('rdap_bases', rows)}
      />
    </Setting>
    <Setting title={say.places.nameServersAt} state={count(s.dns_servers)}>
      <MapSetting
        id="d"
        held={s.dns_servers as Map}
        name={say.places.serverField}
        place={say.places.hostAndPort}
        keep={(rows) => set('dns_servers', rows)}
      />
    </Setting>
    <Setting title={say.places.parents} state={count(s.dns_parents)}>
      <MapSetting
        id="p"
        held={s.dns_parents as Map}
        name={say.places.suffix}
        place={say.places.nameServerOfTheRegistry}
        prefix="."
        keep={(rows) => set('dns_parents', rows)}
      />
    </Setting>
    <Setting title={say.places.registriesWrite} state={say.settings.entries(s.registries.length)}>
      <MapSetting
        id="g"
        held={Object.fromEntries(s.registries.map((r) => [r, 'yes']))}
        name={say.places.mailDomainField}
        keep={(rows) => set('registries', rows)}
      />
    </Setting>
    <Setting
      title={say.places.rates}
      state={s.rates
        ? say.places.ratesOf((s.rates as Map).to ?? '', (s.rates as Map).date ?? '')
        : say.settings.none}
    >
      <Rates rates={s.rates as Map | null} set={(value) => set('rates', value)} />
    </Setting>
    <Setting title={say.places.holidays} state={s.holidays ?? say.places.noHolidays}>
      {#if s.holidays}<p>
          <button class="link" onclick={() => set('holidays', null)}>{say.places.takeOut}</button>
        </p>{/if}
      <form onsubmit={keepRegion}>
        <Field
          id="x-region"
          label={say.places.region}
          mono
          required
          maxlength={12}
          bind:value={region}
        />
        <div><Button type="submit" color="alternative">{say.places.keepRegion}</Button></div>
      </form>
    </Setting>
    <Setting
      title={say.webhooks.title}
      state={hooks.data?.hooks.length
        ? say.settings.entries(hooks.data.hooks.length)
        : say.webhooks.none}
    >
      <Webhooks />
    </Setting>
  </div>
{/if}
