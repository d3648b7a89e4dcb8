<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button, Input, Label, Select } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import { minor, slug } from '../../lib/slug';
  import Trouble from '../../parts/Trouble.svelte';

  let { done }: { done: () => void } = $props();
  const client = useQueryClient();
  let kind = $state<'epp' | 'by_hand'>('epp');
  let f = $state({
    title: '',
    registrar: '',
    host: '',
    port: '700',
    client: '',
    password: '',
    ca: '',
    server: '',
    certificate: '',
    key: '',
    suffixes: '',
    payment: '',
    reads: '',
    privacy: '',
    currency: 'EUR',
    renew: '',
    transfer: '',
    senders: '',
  });
  const words = (text: string) => text.split(/[\s,]+/).filter(Boolean);
  const save = createMutation(() => ({
    mutationFn: () =>
      ask(
        api.POST('/api/accounts', {
          body: {
            id: slug(f.title),
            title: f.title,
            registrar: f.registrar || f.title,
            kind,
            password: f.password,
            connection:
              kind === 'epp'
                ? {
                    host: f.host,
                    port: Number(f.port),
                    client: f.client,
                    ca_file: f.ca || null,
                    server_name: f.server || null,
                    certificate_file: f.certificate || null,
                    key_file: f.key || null,
                  }
                : {},
            habits: {
              suffixes: words(f.suffixes).length
                ? words(f.suffixes).map((s) => s.replace(/^\./, '').toLowerCase())
                : null,
              payment: f.payment || null,
              reads_contacts: f.reads === '' ? null : f.reads === 'yes',
              privacy: f.privacy || null,
            },
            prices: { currency: f.currency, renew: minor(f.renew), transfer: minor(f.transfer) },
            sender_domains: words(f.senders),
          },
        }),
      ),
    onSuccess: () => {
      void client.invalidateQueries();
      done();
    },
  }));

  function submit(e: SubmitEvent) {
    e.preventDefault();
    save.mutate();
  }
</script>

<form onsubmit={submit}>
  <div><Label for="a-title">What you call it</Label><Input id="a-title" required bind:value={f.title} /></div>
  <div>
    <Label for="a-reg">Its name in the public record</Label><Input
      id="a-reg"
      placeholder={f.title}
      bind:value={f.registrar}
    />
  </div>
  <div>
    <Label for="a-kind">Connection</Label>
    <Select
      id="a-kind"
      placeholder=""
      items={[
        { value: 'epp', name: 'EPP' },
        { value: 'by_hand', name: 'By hand' },
      ]}
      bind:value={kind}
    />
  </div>
  {#if kind === 'epp'}
    <div><Label for="a-host">EPP host</Label><Input id="a-host" class="font-mono" required bind:value={f.host} /></div>
    <div>
      <Label for="a-port">Port</Label><Input
        id="a-port"
        type="number"
        min="1"
        max="65535"
        required
        bind:value={f.port}
      />
    </div>
    <div>
      <Label for="a-client">Client identifier</Label><Input
        id="a-client"
        class="font-mono"
        required
        bind:value={f.client}
      />
    </div>
    <div>
      <Label for="a-pw">Password (sealed)</Label><Input
        id="a-pw"
        type="password"
        autocomplete="off"
        required
        bind:value={f.password}
      />
    </div>
    <div>
      <Label for="a-ca">File of its certificate authority, if not a public one</Label><Input
        id="a-ca"
        class="font-mono"
        bind:value={f.ca}
      />
    </div>
    <div>
      <Label for="a-name">Name in its certificate, if not the host</Label><Input
        id="a-name"
        class="font-mono"
        bind:value={f.server}
      />
    </div>
    <div>
      <Label for="a-cert">File of your client certificate, if one is asked for</Label><Input
        id="a-cert"
        class="font-mono"
        bind:value={f.certificate}
      />
    </div>
    <div>
      <Label for="a-key">File of its key</Label><Input id="a-key" class="font-mono" bind:value={f.key} />
    </div>
  {/if}
  <div><Label for="a-cur">Currency</Label><Input id="a-cur" pattern="[A-Z]{'{3}'}" bind:value={f.currency} /></div>
  <div>
    <Label for="a-renew">A year here costs</Label><Input
      id="a-renew"
      inputmode="decimal"
      pattern="[0-9]+([.,][0-9]{'{1,2}'})?"
      bind:value={f.renew}
    />
  </div>
  <div>
    <Label for="a-trans">A transfer to here costs</Label><Input
      id="a-trans"
      inputmode="decimal"
      pattern="[0-9]+([.,][0-9]{'{1,2}'})?"
      bind:value={f.transfer}
    />
  </div>
  <div>
    <Label for="a-suf">Suffixes that it takes, if not all</Label><Input
      id="a-suf"
      class="font-mono"
      bind:value={f.suffixes}
    />
  </div>
  <div>
    <Label for="a-pay">Payment there: “ready”, or what is missing</Label><Input id="a-pay" bind:value={f.payment} />
  </div>
  <div>
    <Label for="a-read">It reads the contacts before it takes a name</Label>
    <Select
      id="a-read"
      placeholder=""
      items={[
        { value: '', name: 'not known' },
        { value: 'yes', name: 'yes' },
        { value: 'no', name: 'no' },
      ]}
      bind:value={f.reads}
    />
  </div>
  <div>
    <Label for="a-priv">Mail domain of its privacy service</Label><Input
      id="a-priv"
      class="font-mono"
      bind:value={f.privacy}
    />
  </div>
  <div>
    <Label for="a-send">Domains that it writes from</Label><Input
      id="a-send"
      class="font-mono"
      bind:value={f.senders}
    />
  </div>
  <div>
    <Button type="submit" disabled={save.isPending}
      >{kind === 'epp' ? 'Try the connection and keep it' : 'Keep it'}</Button
    >
    <Button color="alternative" onclick={done}>Leave it</Button>
  </div>
</form>
<Trouble error={save.error} />
