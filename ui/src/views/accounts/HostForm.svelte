<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import { slug } from '../../lib/slug';
  import Choice from '../../parts/Choice.svelte';
  import Field from '../../parts/Field.svelte';
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
  <Field id="h-title" label="What you call it" required bind:value={f.title} />
  <Field id="h-ns" label="Its name servers" mono required bind:value={f.servers} />
  <Field id="h-key" label="Name of the transfer key (TSIG)" mono bind:value={f.key} />
  <Field id="h-secret" label="The key, base64 (sealed)" type="password" autocomplete="off" bind:value={f.secret} />
  <Choice
    id="h-ends"
    label="Ends with the registration at"
    of={[['', 'none: it stands by itself'], ...accounts.map((a) => [a.id, a.title] as const)]}
    bind:value={f.ends}
  />
  <div>
    <Button type="submit" disabled={save.isPending}>Keep it</Button>
    <Button color="alternative" onclick={done}>Leave it</Button>
  </div>
</form>
<Trouble error={save.error} />
