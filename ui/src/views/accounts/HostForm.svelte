<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { untrack } from 'svelte';
  import { api, ask, type Schemas } from '../../lib/api';
  import Choice from '../../parts/Choice.svelte';
  import Field from '../../parts/Field.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { changed } from './account';
  import Removal from './Removal.svelte';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';

  /** A new DNS host, or (`held`) one that is changed in place: only what differs is sent. */
  let {
    accounts,
    held,
    done,
  }: {
    accounts: { id: string; title: string }[];
    held?: Schemas['Accounts']['hosts'][number];
    done: () => void;
  } = $props();
  const client = useQueryClient();
  let f = $state(
    untrack(() => ({
      title: held?.title ?? '',
      servers: held?.name_servers.join(' ') ?? '',
      key: held?.key_name ?? '',
      secret: '',
      ends: held?.ends_with ?? '',
    })),
  );
  const fields = () => ({
    title: f.title,
    name_servers: f.servers.split(/[\s,]+/).filter(Boolean),
    key_name: f.key || null,
    secret: f.secret || null,
    ends_with: f.ends || null,
  });
  const first = untrack(fields);

  async function keep() {
    if (!held) return ask(api.POST('/api/hosts', { body: fields() }));
    const body = changed(first, fields());
    if (!Object.keys(body).length) return { id: held.id };
    return ask(api.POST('/api/hosts/{id}', { params: { path: { id: held.id } }, body }));
  }
  const over = () => {
    void refresh(client);
    done();
  };
  const save = createMutation(() => ({ mutationFn: keep, onSuccess: over }));
  const remove = () => ask(api.POST('/api/hosts/{id}/remove', { params: { path: { id: held?.id ?? '' } } }));

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
    label={held?.has_key ? say.hostForm.theKeyHeld : say.hostForm.theKeyBase64Sealed}
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
  {#if held}<Removal title={held.title} {remove} done={over} />{/if}
</form>
<Trouble error={save.error} />
