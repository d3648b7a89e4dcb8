<script lang="ts">
  import { base } from '../../lib/base';
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button, Input, Label, Select } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import { session } from '../../lib/session.svelte';
  import ForGood from '../../parts/ForGood.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import { readAmount } from '../../lib/reading';
  import { full, money } from '../../lib/words';
  import { say } from '../../lib/say';

  const client = useQueryClient();
  const people = createQuery(() => ({
    queryKey: ['people'],
    queryFn: () => ask(api.GET('/api/people')),
  }));
  const WHAT: Record<string, string> = {
    viewer: say.people.roleViewer,
    mover: say.people.roleMover,
    approver: say.people.roleApprover,
    administrator: say.people.roleAdministrator,
  };
  let email = $state('');
  let role = $state('mover');
  const roles = $derived(
    (people.data?.roles ?? []).map((r) => ({ value: r, name: `${r}: ${WHAT[r] ?? ''}` })),
  );
  const invite = createMutation(() => ({
    mutationFn: () => ask(api.POST('/api/people', { body: { email, role } })),
    onSuccess: () => client.invalidateQueries({ queryKey: ['people'] }),
  }));
  const change = createMutation(() => ({
    mutationFn: ({ id, to }: { id: number; to: string | null }) =>
      ask(api.POST('/api/people/{id}', { params: { path: { id } }, body: { role: to } })),
    onSuccess: (data) => client.setQueryData(['people'], data),
  }));
  const limit = createMutation(() => ({
    mutationFn: ({ id, text }: { id: number; text: string }) => {
      const currency =
        text
          .match(/[A-Z]{3}\s*$/i)?.[0]
          .trim()
          .toUpperCase() ?? 'EUR';
      const read = text.trim() ? readAmount(text, currency) : undefined;
      if (read && 'wrong' in read) throw new Error(read.wrong);
      const amount = read ? { minor: read.value, currency } : null;
      return ask(
        api.POST('/api/people/{id}/limit', { params: { path: { id } }, body: { limit: amount } }),
      );
    },
    onSuccess: (data) => client.setQueryData(['people'], data),
  }));
  let linked = $state('');
  const link = createMutation(() => ({
    mutationFn: ({ id }: { id: number; email: string }) =>
      ask(api.POST('/api/people/{id}/password-word', { params: { path: { id } } })),
    onSuccess: (_, { email }) => (linked = email),
  }));
  const takeBack = createMutation(() => ({
    mutationFn: (email: string) => ask(api.POST('/api/invitations/take-back', { body: { email } })),
    onSuccess: (data) => client.setQueryData(['people'], data),
  }));
  const forget = createMutation(() => ({
    mutationFn: (id: number) =>
      ask(api.POST('/api/people/{id}/forget-factor', { params: { path: { id } } })),
    onSuccess: (data) => client.setQueryData(['people'], data),
  }));

  function submit(e: SubmitEvent) {
    e.preventDefault();
    invite.mutate();
  }
</script>

<section>
  <h1 class="answer">{say.people.head(people.data?.people.length ?? 0)}</h1>
  <Trouble
    error={people.error ??
      invite.error ??
      change.error ??
      forget.error ??
      limit.error ??
      link.error ??
      takeBack.error}
  />
  {#if people.data}
    <ul>
      {#each people.data.people as person (person.id)}
        <li>
          <strong>{person.email}</strong>
          <label class="limit"
            >{say.people.limit}
            <input
              class="plain num w-[8rem]"
              value={person.limit ? money(person.limit) : ''}
              placeholder={say.people.noLimit}
              onchange={(e) => limit.mutate({ id: person.id, text: e.currentTarget.value })}
            /></label
          >
          {#if person.email === session.who?.email}
            <span class="muted">{say.people.you(person.role, WHAT[person.role])}</span>
          {:else}
            <label>
              <span class="hidden-words">{say.people.roleOf(person.email)}</span>
              <select
                class="plain"
                value={person.role}
                onchange={(e) => change.mutate({ id: person.id, to: e.currentTarget.value })}
              >
                {#each people.data.roles as r (r)}<option>{r}</option>{/each}
              </select>
            </label>
            <ForGood
              quiet
              label={say.people.remove}
              named={say.people.removeOf(person.email)}
              yes={say.people.confirmRemoval(person.email)}
              busy={change.isPending}
              act={() => change.mutate({ id: person.id, to: null })}
            />
            <button class="underline cursor-pointer text-loden" onclick={() => link.mutate(person)}
              >{say.people.passwordLink}</button
            >
            {#if person.second_factor}
              <ForGood
                quiet
                label={say.people.dropFactor}
                named={say.people.dropFactorOf(person.email)}
                yes={say.people.yesPasswordAlone(person.email)}
                busy={forget.isPending}
                act={() => forget.mutate(person.id)}
              />
            {/if}
          {/if}
        </li>
      {/each}
    </ul>
    {#if link.data}
      <p role="status">
        {say.people.passwordLinkFor(linked)}
        <span class="mono wrap-anywhere"
          >{say.people.newPassword(location.origin + base, link.data.word)}</span
        >
      </p>
    {/if}
    {#if people.data.invitations.length}
      <h3>{say.people.invitations}</h3>
      <ul>
        {#each people.data.invitations as i (i.email)}
          <li>
            <strong>{i.email}</strong>
            <span class="muted">{say.people.until(i.role, full(i.expires_at))}</span>
            <button
              class="text-madder underline cursor-pointer"
              onclick={() => takeBack.mutate(i.email)}
              aria-label={say.people.takeBackOf(i.email)}>{say.people.takeBack}</button
            >
          </li>
        {/each}
      </ul>
    {/if}
    <details>
      <summary>{say.people.inviteSomebody}</summary>
      <form onsubmit={submit}>
        <div>
          <Label for="p-mail">{say.people.eMail}</Label><Input
            id="p-mail"
            type="email"
            required
            bind:value={email}
          />
        </div>
        <div>
          <Label for="p-role">{say.people.role}</Label><Select
            id="p-role"
            placeholder=""
            items={roles}
            bind:value={role}
          />
        </div>
        <div><Button type="submit" color="alternative">{say.people.invite}</Button></div>
      </form>
    </details>
    {#if invite.data}
      <p role="status">
        {say.people.passAddressOn(email)}
        <span class="mono wrap-anywhere"
          >{say.people.invited(location.origin + base, invite.data.word)}</span
        >
      </p>
    {/if}
  {/if}
</section>
