<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import { slug } from '../../lib/slug';
  import Choice from '../../parts/Choice.svelte';
  import Field from '../../parts/Field.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';

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
      void refresh(client);
      done();
    },
  }));

  function submit(e: SubmitEvent) {
    e.preventDefault();
    save.mutate();
  }
</script>

<form onsubmit={submit}>
  <Field id="h-title" label={say.hostForm.whatYouCallIt} required bind:value={f.title} />
  <Field id="h-ns" label={say.hostForm.itsNameServers} mono required bind:value={f.servers} />
  <Field id="h-key" label={say.hostForm.nameOfTheTransferKey} mono bind:value={f.key} />
  <Field
    id="h-secret"
    label={say.hostForm.theKeyBase64Sealed}
    type="password"
    autocomplete="off"
    bind:value={f.secret}
  />
  <Choice
    id="h-ends"
    label={say.hostForm.endsWithTheRegistrationAt}
    of={[['', say.hostForm.noneItStandsByItself], ...accounts.map((a) => [a.id, a.title] as const)]}
    bind:value={f.ends}
  />
  <div>
    <Button type="submit" disabled={save.isPending}>{say.hostForm.keepIt}</Button>
    <Button color="alternative" onclick={done}>{say.hostForm.leaveIt}</Button>
  </div>
</form>
<Trouble error={save.error} />
