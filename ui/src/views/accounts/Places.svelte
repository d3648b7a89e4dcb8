<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import Choice from '../../parts/Choice.svelte';
  import Field from '../../parts/Field.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import MailServer from './MailServer.svelte';
  import { say } from '../../lib/say';

  const client = useQueryClient();
  const settings = createQuery(() => ({ queryKey: ['settings'], queryFn: () => ask(api.GET('/api/settings')) }));
  const set = createMutation(() => ({
    mutationFn: (body: { key: string; value: Record<string, string | number | boolean> | null }) =>
      ask(api.POST('/api/settings', { body })),
    onSuccess: (data) => client.setQueryData(['settings'], data),
  }));
  let box = $state({ host: '', port: '993', login: '', password: '' });
  let out = $state({ host: '', port: '587', login: '', password: '', from: '', tls: 'starttls' });
  let suffix = $state('');
  let base = $state('');
  const TLS = [
    ['starttls', 'STARTTLS'],
    ['yes', say.places.tlsFromTheStart],
    ['no', say.places.noneOnThisMachineOnly],
  ] as const;
  const shown = $derived(Object.entries(settings.data?.rdap_bases ?? {}));

  function keepBox(e: SubmitEvent) {
    e.preventDefault();
    set.mutate({
      key: 'mailbox',
      value: { host: box.host, port: Number(box.port), login: box.login, password: box.password, tls: true },
    });
  }
  function keepOut(e: SubmitEvent) {
    e.preventDefault();
    const login: Record<string, string> = out.login ? { login: out.login, password: out.password } : {};
    set.mutate({
      key: 'outgoing',
      value: { host: out.host, port: Number(out.port), from: out.from, tls: out.tls, ...login },
    });
  }
  function keepBase(e: SubmitEvent) {
    e.preventDefault();
    set.mutate({ key: 'rdap_bases', value: { ...settings.data?.rdap_bases, [suffix.replace(/^\./, '')]: base } });
  }
</script>

<section>
  <h2>{say.places.mailboxAndPublicRecord}</h2>
  <Trouble error={settings.error ?? set.error} />
  {#if settings.data}
    <ul>
      <li>
        <strong>{say.places.mailbox}</strong>
        {#if settings.data.mailbox}
          <span class="mono muted"
            >{say.places.at(settings.data.mailbox.login, settings.data.mailbox.host, settings.data.mailbox.port)}</span
          >
        {:else}<span class="muted">{say.places.noneTheRegistrarsMessagesAre}</span>{/if}
      </li>
      <li>
        <strong>{say.places.sendingMail}</strong>
        {#if settings.data.outgoing}
          <span class="mono muted"
            >{say.places.fromBy(
              settings.data.outgoing.from,
              settings.data.outgoing.host,
              settings.data.outgoing.port,
            )}</span
          >
        {:else}<span class="muted">{say.places.noneLettersAreSentBy}</span>{/if}
      </li>
      {#each shown.slice(0, 12) as [s, url] (s)}
        <li><strong>.{s}</strong> <span class="mono muted">{url}</span></li>
      {/each}
      {#if shown.length > 12}<li class="muted">{say.places.andMoreSuffixes(shown.length - 12)}</li>{/if}
    </ul>
    <form onsubmit={keepBox}>
      <Field id="m-host" label={say.places.imapHost} mono required bind:value={box.host} />
      <Field id="m-port" label={say.places.portTls} type="number" required bind:value={box.port} />
      <Field id="m-login" label={say.places.signIn} autocomplete="off" required bind:value={box.login} />
      <Field
        id="m-pw"
        label={say.places.passwordSealed}
        type="password"
        autocomplete="off"
        required
        bind:value={box.password}
      />
      <div><Button type="submit" color="alternative">{say.places.readThisMailbox}</Button></div>
    </form>
    {#if settings.data.mailbox}
      {#key settings.data.mail_server}
        <MailServer
          settings={settings.data}
          keep={(ids, trusting) => set.mutate({ key: 'mail_server', value: { ids, trusting } })}
        />
      {/key}
    {/if}
    <form onsubmit={keepOut}>
      <Field id="o-host" label={say.places.smtpHost} mono required bind:value={out.host} />
      <Field id="o-port" label={say.places.port} type="number" required bind:value={out.port} />
      <Choice id="o-tls" label={say.places.encryption} of={TLS} bind:value={out.tls} />
      <Field id="o-from" label={say.places.lettersComeFrom} type="email" mono required bind:value={out.from} />
      <Field id="o-login" label={say.places.signInIfOneIs} autocomplete="off" bind:value={out.login} />
      <Field id="o-pw" label={say.places.passwordSealed} type="password" autocomplete="off" bind:value={out.password} />
      <div><Button type="submit" color="alternative">{say.places.sendByThisServer}</Button></div>
    </form>
    <form onsubmit={keepBase}>
      <Field id="r-suffix" label={say.places.suffix} mono required bind:value={suffix} />
      <Field id="r-base" label={say.places.baseUrlOfItsPublic} type="url" mono required bind:value={base} />
      <div><Button type="submit" color="alternative">{say.places.useIt}</Button></div>
    </form>
  {/if}
</section>
