<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import { say } from '../../lib/say';
  import Choice from '../../parts/Choice.svelte';
  import Field from '../../parts/Field.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import MailServer from './MailServer.svelte';

  /** The mailboxes that are read, each with what its own server is called. */
  let { settings }: { settings: Schemas['Settings'] } = $props();
  const client = useQueryClient();
  const onSuccess = (data: Schemas['Settings']) => client.setQueryData(['settings'], data);
  const EMPTY = { host: '', port: '993', login: '', password: '', folder: '', tls: 'yes' };
  let box = $state({ ...EMPTY });
  const add = createMutation(() => ({
    mutationFn: (body: Schemas['NewMailbox']) => ask(api.POST('/api/mailboxes', { body })),
    onSuccess: (data) => {
      onSuccess(data);
      box = { ...EMPTY };
    },
  }));
  const change = createMutation(() => ({
    mutationFn: ({ id, ...body }: Schemas['MailboxChange'] & { id: number }) =>
      ask(api.POST('/api/mailboxes/{id}', { params: { path: { id } }, body })),
    onSuccess,
  }));
  const attempt = createMutation(() => ({
    mutationFn: (id: number) =>
      ask(api.POST('/api/mailboxes/{id}/try', { params: { path: { id } } })),
    onSuccess,
  }));
  const remove = createMutation(() => ({
    mutationFn: (id: number) =>
      ask(api.DELETE('/api/mailboxes/{id}', { params: { path: { id } } })),
    onSuccess,
  }));
  const TLS = [
    ['yes', say.places.tlsAtOnce],
    ['starttls', 'STARTTLS'],
    ['no', say.places.tlsNone],
  ] as const;
  function submit(e: SubmitEvent) {
    e.preventDefault();
    const { host, port, login, password, folder, tls } = box;
    const where = folder.trim() ? { folder: folder.trim() } : {};
    add.mutate({ host, port: Number(port), login, password, tls, ...where });
  }
</script>

<Trouble error={add.error ?? change.error ?? remove.error ?? attempt.error} />
<ul>
  {#each settings.mailboxes as at (at.id)}
    <li>
      <strong>{say.places.mailbox}</strong>
      <span class="mono muted">{say.places.at(at.login, at.host, at.port)}</span>
      {#if at.of_file}
        <span class="muted">{say.places.ofTheFile}</span>
      {:else}
        <button class="link" onclick={() => remove.mutate(at.id)}
          >{say.places.takeOutOf(at.login)}</button
        >
      {/if}
      {#key at.ids}
        <MailServer
          mailbox={at}
          seen={settings.servers_seen}
          keep={(ids, trusting) => change.mutate({ id: at.id, ids, trusting })}
          test={() => attempt.mutate(at.id)}
        />
      {/key}
    </li>
  {:else}
    <li>
      <strong>{say.places.mailbox}</strong>
      <span class="muted">{say.places.mailboxNone}</span>
    </li>
  {/each}
</ul>
<form onsubmit={submit}>
  <Field id="m-host" label={say.places.imapHost} mono required bind:value={box.host} />
  <Field id="m-port" label={say.places.port} type="number" required bind:value={box.port} />
  <Choice id="m-tls" label={say.places.encryption} of={TLS} bind:value={box.tls} />
  <Field
    id="m-login"
    label={say.places.signIn}
    autocomplete="off"
    required
    bind:value={box.login}
  />
  <Field
    id="m-pw"
    label={say.places.passwordSealed}
    type="password"
    autocomplete="off"
    required
    bind:value={box.password}
  />
  <Field id="m-folder" label={say.places.folder} placeholder="INBOX" bind:value={box.folder} />
  <div><Button type="submit" color="alternative">{say.places.useMailbox}</Button></div>
</form>
