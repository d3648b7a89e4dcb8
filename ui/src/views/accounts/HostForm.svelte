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
  type Habits = Schemas['HostHabits'];
  const yes = (v: boolean | null | undefined) => (v === true ? 'yes' : v === false ? 'no' : '');
  const YES_NO = [
    ['', say.hostForm.notKnown],
    ['yes', say.hostForm.yes],
    ['no', say.hostForm.no],
  ] as const;
  const client = useQueryClient();
  let f = $state(
    untrack(() => ({
      title: held?.title ?? '',
      servers: held?.name_servers.join(' ') ?? '',
      key: held?.key_name ?? '',
      secret: '',
      ends: held?.ends_with ?? '',
      algorithm: held?.habits.algorithm ?? '',
      site: held?.habits.site ?? '',
      login: held?.habits.login ?? '',
      files: yes(held?.habits.reads_files),
      owner: held?.habits.owner_form ?? '',
      wildcard: yes(held?.habits.wildcard),
      floor: held?.habits.ttl_floor?.toString() ?? '',
      text: held?.habits.text_most?.toString() ?? '',
      ceiling: held?.habits.ttl_most?.toString() ?? '',
      sets: held?.habits.sets_most?.toString() ?? '',
      types: held?.habits.types?.join(' ') ?? '',
    })),
  );
  const bool = (v: string) => (v === '' ? null : v === 'yes');
  const whole = (v: string) => (v.trim() ? Number(v) : null);
  const fields = () => ({
    title: f.title,
    name_servers: f.servers.split(/[\s,]+/).filter(Boolean),
    key_name: f.key || null,
    secret: f.secret || null,
    ends_with: f.ends || null,
    habits: {
      algorithm: (f.algorithm || null) as Habits['algorithm'],
      site: f.site || null,
      login: f.login || null,
      reads_files: bool(f.files),
      owner_form: (f.owner || null) as Habits['owner_form'],
      wildcard: bool(f.wildcard),
      ttl_floor: whole(f.floor),
      text_most: whole(f.text),
      ttl_most: whole(f.ceiling),
      sets_most: whole(f.sets),
      types: f.types.trim()
        ? f.types
            .toUpperCase()
            .split(/[\s,]+/)
            .filter(Boolean)
        : null,
    },
  });
  const first = untrack(fields);

  async function keep() {
    if (!held) return ask(api.POST('/api/hosts', { body: fields() }));
    const body = changed(first, fields());
    if (!Object.keys(body).length) return { id: held.id };
    return ask(api.POST('/api/hosts/{id}', { params: { path: { id: held.id } }, body }));
  }
  const over = () => {
    void refresh(client, 'accounts', 'names', 'hands');
    done();
  };
  const save = createMutation(() => ({ mutationFn: keep, onSuccess: over }));
  const remove = () =>
    ask(api.POST('/api/hosts/{id}/remove', { params: { path: { id: held?.id ?? '' } } }));

  function submit(e: SubmitEvent) {
    e.preventDefault();
    save.mutate();
  }
</script>

<form onsubmit={submit}>
  <Field id="h-title" label={say.hostForm.ownName} required bind:value={f.title} />
  <Field id="h-ns" label={say.hostForm.hostServers} mono required bind:value={f.servers} />
  <Field id="h-key" label={say.hostForm.transferKeyName} mono bind:value={f.key} />
  <Field
    id="h-secret"
    label={held?.has_key ? say.hostForm.theKeyHeld : say.hostForm.transferKey}
    type="password"
    autocomplete="off"
    bind:value={f.secret}
  />
  <Choice
    id="h-ends"
    label={say.hostForm.serviceEnds}
    of={[['', say.hostForm.noHost], ...accounts.map((a) => [a.id, a.title] as const)]}
    bind:value={f.ends}
  />
  <Choice
    id="h-algorithm"
    label={say.hostForm.algorithm}
    of={[
      ['', 'hmac-sha256'],
      ...['hmac-sha1', 'hmac-sha224', 'hmac-sha384', 'hmac-sha512'].map((a) => [a, a] as const),
    ]}
    bind:value={f.algorithm}
  />
  <h3>{say.hostForm.byHand}</h3>
  <Field id="h-site" label={say.hostForm.site} placeholder="https://" bind:value={f.site} />
  <Field id="h-login" label={say.hostForm.login} mono bind:value={f.login} />
  <Choice id="h-files" label={say.hostForm.files} of={YES_NO} bind:value={f.files} />
  <Choice
    id="h-owner"
    label={say.hostForm.owner}
    of={[
      ['', say.hostForm.relative],
      ['absolute', say.hostForm.absolute],
      ['absolute_dot', say.hostForm.absoluteDot],
    ]}
    bind:value={f.owner}
  />
  <h3>{say.hostForm.limits}</h3>
  <Choice id="h-wild" label={say.hostForm.wildcard} of={YES_NO} bind:value={f.wildcard} />
  <Field id="h-floor" label={say.hostForm.floor} pattern="[0-9]*" bind:value={f.floor} />
  <Field id="h-ceiling" label={say.hostForm.ceiling} pattern="[0-9]*" bind:value={f.ceiling} />
  <Field id="h-sets" label={say.hostForm.sets} pattern="[0-9]*" bind:value={f.sets} />
  <Field id="h-text" label={say.hostForm.text} pattern="[0-9]*" bind:value={f.text} />
  <Field id="h-types" label={say.hostForm.types} mono bind:value={f.types} />
  <div>
    <Button color="alternative" type="submit" disabled={save.isPending}
      >{say.hostForm.keepIt}</Button
    >
    <Button color="alternative" onclick={done}>{say.hostForm.leaveIt}</Button>
  </div>
  {#if held}<Removal title={held.title} {remove} done={over} />{/if}
</form>
<Trouble error={save.error} />
