<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import Choice from '../../parts/Choice.svelte';
  import Field from '../../parts/Field.svelte';
  import { say } from '../../lib/say';

  /** The server that the desk's own mail leaves by. */
  let { set }: { set: (value: Record<string, string | number>) => void } = $props();
  let out = $state({ host: '', port: '587', login: '', password: '', from: '', tls: 'starttls' });
  const TLS = [
    ['starttls', 'STARTTLS'],
    ['yes', say.places.tlsAtOnce],
    ['no', say.places.tlsNone],
  ] as const;

  function submit(e: SubmitEvent) {
    e.preventDefault();
    const login: Record<string, string> = out.login
      ? { login: out.login, password: out.password }
      : {};
    set({ host: out.host, port: Number(out.port), from: out.from, tls: out.tls, ...login });
  }
</script>

<form onsubmit={submit}>
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
  <Field id="o-login" label={say.places.outgoingLogin} autocomplete="off" bind:value={out.login} />
  <Field
    id="o-pw"
    label={say.places.passwordSealed}
    type="password"
    autocomplete="off"
    bind:value={out.password}
  />
  <div><Button type="submit" color="alternative">{say.places.useOutgoing}</Button></div>
</form>
