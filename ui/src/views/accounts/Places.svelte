<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import Choice from '../../parts/Choice.svelte';
  import Field from '../../parts/Field.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import Mailboxes from './Mailboxes.svelte';
  import Records from './Records.svelte';
  import { say } from '../../lib/say';

  const client = useQueryClient();
  const settings = createQuery(() => ({
    queryKey: ['settings'],
    queryFn: () => ask(api.GET('/api/settings')),
  }));
  const set = createMutation(() => ({
    mutationFn: (body: { key: string; value: Record<string, string | number | boolean> | null }) =>
      ask(api.POST('/api/settings', { body })),
    onSuccess: (data) => client.setQueryData(['settings'], data),
  }));
  let out = $state({ host: '', port: '587', login: '', password: '', from: '', tls: 'starttls' });
  const TLS = [
    ['starttls', 'STARTTLS'],
    ['yes', say.places.tlsAtOnce],
    ['no', say.places.tlsNone],
  ] as const;

  function keepOut(e: SubmitEvent) {
    e.preventDefault();
    const login: Record<string, string> = out.login
      ? { login: out.login, password: out.password }
      : {};
    set.mutate({
      key: 'outgoing',
      value: { host: out.host, port: Number(out.port), from: out.from, tls: out.tls, ...login },
    });
  }
</script>

<section>
  <h2>{say.places.placesTitle}</h2>
  <Trouble error={settings.error ?? set.error} />
  {#if settings.data}
    <Mailboxes settings={settings.data} />
    <ul>
      <li>
        <strong>{say.places.outgoingTitle}</strong>
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
    </ul>
    <form onsubmit={keepOut}>
      <Field id="o-host" label={say.places.smtpHost} mono required bind:value={out.host} />
      <Field id="o-port" label={say.places.port} type="number" required bind:value={out.port} />
      <Choice id="o-tls" label={say.places.encryption} of={TLS} bind:value={out.tls} />
      <Field
        id="o-from"
        label={say.places.lettersComeFrom}
        type="email"
        mono
        required
        bind:value={out.from}
      />
      <Field
        id="o-login"
        label={say.places.outgoingLogin}
        autocomplete="off"
        bind:value={out.login}
      />
      <Field
        id="o-pw"
        label={say.places.passwordSealed}
        type="password"
        autocomplete="off"
        bind:value={out.password}
      />
      <div><Button type="submit" color="alternative">{say.places.useOutgoing}</Button></div>
    </form>
    <Records settings={settings.data} set={(key, value) => set.mutate({ key, value })} />
  {/if}
</section>
