<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import type { Schemas } from '../../lib/api';
  import { say } from '../../lib/say';
  import Choice from '../../parts/Choice.svelte';
  import Field from '../../parts/Field.svelte';

  /** The mailboxes that are read, each in its place; another one can be added, up to five. */
  let {
    boxes,
    set,
  }: {
    boxes: Schemas['Settings']['mailboxes'];
    set: (key: string, value: Record<string, string | number | boolean> | null) => void;
  } = $props();
  let box = $state({ host: '', port: '993', login: '', password: '', folder: '', tls: 'yes' });
  const free = $derived(Object.entries(boxes).find(([, at]) => !at)?.[0]);
  const there = $derived(Object.entries(boxes).filter(([, at]) => at));
  const TLS = [
    ['yes', say.places.tlsFromTheStart],
    ['starttls', 'STARTTLS'],
    ['no', say.places.noneOnThisMachineOnly],
  ] as const;
  function submit(e: SubmitEvent) {
    e.preventDefault();
    const { host, port, login, password, folder, tls } = box;
    set(free ?? 'mailbox', {
      host,
      port: Number(port),
      login,
      password,
      tls,
      ...(folder.trim() ? { folder: folder.trim() } : {}),
    });
  }
</script>

<ul>
  {#each there as [key, at] (key)}
    <li>
      <strong>{say.places.mailbox}</strong>
      <span class="mono muted"
        >{say.places.at(at!.login ?? '', at!.host ?? '', at!.port ?? '')}</span
      >
      <button class="link" onclick={() => set(key, null)}>{say.places.takeOut}</button>
    </li>
  {:else}
    <li>
      <strong>{say.places.mailbox}</strong>
      <span class="muted">{say.places.noneTheRegistrarsMessagesAre}</span>
    </li>
  {/each}
</ul>
{#if free}
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
    <div><Button type="submit" color="alternative">{say.places.readThisMailbox}</Button></div>
  </form>
{/if}
