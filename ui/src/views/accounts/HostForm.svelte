<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button, Input, Label, Select } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import { slug } from '../../lib/slug';
  import Trouble from '../../parts/Trouble.svelte';

  let { accounts, done }: { accounts: { id: string; title: string }[]; done: () => void } = $props();
  const client = useQueryClient();
  let f = $state({ title: '', servers: '', key: '', secret: '', ends: '' });
  const save = createMutation(() => ({
    mutationFn: () =>
      ask(
        api.POST('/api/hosts', {
          body: {
            id: slug(f.title),
            title: f.title,
            name_servers: f.servers.split(/[\s,]+/).filter(Boolean),
            key_name: f.key || null,
            secret: f.secret || null,
            ends_with: f.ends || null,
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
  <div><Label for="h-title">What you call it</Label><Input id="h-title" required bind:value={f.title} /></div>
  <div>
    <Label for="h-ns">Its name servers</Label><Input id="h-ns" class="font-mono" required bind:value={f.servers} />
  </div>
  <div>
    <Label for="h-key">Name of the transfer key (TSIG)</Label><Input id="h-key" class="font-mono" bind:value={f.key} />
  </div>
  <div>
    <Label for="h-secret">The key, base64 (sealed)</Label><Input
      id="h-secret"
      type="password"
      autocomplete="off"
      bind:value={f.secret}
    />
  </div>
  <div>
    <Label for="h-ends">Ends with the registration at</Label>
    <Select
      id="h-ends"
      placeholder=""
      items={[
        { value: '', name: 'none: it stands by itself' },
        ...accounts.map((a) => ({ value: a.id, name: a.title })),
      ]}
      bind:value={f.ends}
    />
  </div>
  <div>
    <Button type="submit" disabled={save.isPending}>Keep it</Button>
    <Button color="alternative" onclick={done}>Leave it</Button>
  </div>
</form>
<Trouble error={save.error} />
