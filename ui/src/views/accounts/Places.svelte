<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button, Input, Label } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import Trouble from '../../parts/Trouble.svelte';

  const client = useQueryClient();
  const settings = createQuery(() => ({ queryKey: ['settings'], queryFn: () => ask(api.GET('/api/settings')) }));
  const set = createMutation(() => ({
    mutationFn: (body: { key: string; value: Record<string, string | number | boolean> | null }) =>
      ask(api.POST('/api/settings', { body })),
    onSuccess: (data) => client.setQueryData(['settings'], data),
  }));
  let box = $state({ host: '', port: '993', login: '', password: '' });
  let suffix = $state('');
  let base = $state('');
  const shown = $derived(Object.entries(settings.data?.rdap_bases ?? {}));

  function keepBox(e: SubmitEvent) {
    e.preventDefault();
    set.mutate({
      key: 'mailbox',
      value: { host: box.host, port: Number(box.port), login: box.login, password: box.password, tls: true },
    });
  }
  function keepBase(e: SubmitEvent) {
    e.preventDefault();
    set.mutate({ key: 'rdap_bases', value: { ...settings.data?.rdap_bases, [suffix.replace(/^\./, '')]: base } });
  }
</script>

<section>
  <h2>Mailbox and public record</h2>
  <Trouble error={settings.error ?? set.error} />
  {#if settings.data}
    <ul>
      <li>
        <strong>Mailbox</strong>
        {#if settings.data.mailbox}
          <span class="mono muted"
            >{settings.data.mailbox.login} at {settings.data.mailbox.host}:{settings.data.mailbox.port}</span
          >
        {:else}<span class="muted">none: the registrars’ messages are not read</span>{/if}
      </li>
      {#each shown.slice(0, 12) as [s, url] (s)}
        <li><strong>.{s}</strong> <span class="mono muted">{url}</span></li>
      {/each}
      {#if shown.length > 12}<li class="muted">and {shown.length - 12} more suffixes</li>{/if}
    </ul>
    <form onsubmit={keepBox}>
      <div>
        <Label for="m-host">IMAP host</Label><Input id="m-host" class="font-mono" required bind:value={box.host} />
      </div>
      <div>
        <Label for="m-port">Port (TLS)</Label><Input id="m-port" type="number" required bind:value={box.port} />
      </div>
      <div>
        <Label for="m-login">Sign-in</Label><Input id="m-login" autocomplete="off" required bind:value={box.login} />
      </div>
      <div>
        <Label for="m-pw">Password (sealed)</Label><Input
          id="m-pw"
          type="password"
          autocomplete="off"
          required
          bind:value={box.password}
        />
      </div>
      <div><Button type="submit" color="alternative">Read this mailbox</Button></div>
    </form>
    <form onsubmit={keepBase}>
      <div>
        <Label for="r-suffix">Suffix</Label><Input id="r-suffix" class="font-mono" required bind:value={suffix} />
      </div>
      <div>
        <Label for="r-base">Base URL of its public record (RDAP)</Label><Input
          id="r-base"
          type="url"
          class="font-mono"
          required
          bind:value={base}
        />
      </div>
      <div><Button type="submit" color="alternative">Use it</Button></div>
    </form>
  {/if}
</section>
