<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask, type NameSheet } from '../../lib/api';
  import Copy from '../../parts/Copy.svelte';
  import Sentence from '../../parts/Sentence.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';
  import Place from '../hands/Place.svelte';
  import May from '../../parts/May.svelte';
  import { say } from '../../lib/say';

  /** Who stands behind the name: complete, read, and what can be done where not. */
  let { sheet, queryKey }: { sheet: NameSheet; queryKey: unknown[] } = $props();
  const client = useQueryClient();
  const path = $derived({ params: { path: { name: sheet.name } } });
  const ROLES = { registrant: say.contacts.registrant, admin: say.contacts.adminContact };
  const FIELDS: Record<string, string> = {
    name: 'name',
    street: 'street',
    city: 'city',
    country: 'country',
    voice: 'telephone',
    email: 'email',
  };
  const BOXES: Record<string, string> = {
    proven: say.contacts.readAWordThatWas,
    asked: say.contacts.testPending,
    bounced: say.contacts.notReachedMailCameBack,
    unread: say.contacts.readByNobody,
  };
  let chosen = $state<string>();
  let email = $state('');
  let mending = $state(false);
  const again = () => client.invalidateQueries({ queryKey });
  const prove = createMutation(() => ({
    mutationFn: (role: 'registrant' | 'admin') =>
      ask(api.POST('/api/names/{name}/contacts/prove', { ...path, body: { role } })),
    onSuccess: again,
  }));
  const repair = createMutation(() => ({
    mutationFn: () =>
      ask(
        api.POST('/api/names/{name}/contacts/repair', {
          ...path,
          body: { choice: chosen!, email },
        }),
      ),
    onSuccess: again,
  }));

  function submit(e: SubmitEvent) {
    e.preventDefault();
    repair.mutate();
  }
</script>

{#each sheet.contacts.cards as card (card.role)}
  <div class="card py-2 px-0 border-b border-b-line">
    <p>
      <strong>{ROLES[card.role]}</strong>
      {[card.fields.name, card.fields.org, card.fields.city, card.fields.country]
        .filter(Boolean)
        .join(', ')}
    </p>
    <p>
      <span class="mono">{card.fields.email || say.contacts.noEMail}</span>
      <span class="muted"
        >{BOXES[card.mailbox ?? ''] ?? say.contacts.mailboxUnproven}{#if card.mailbox_at}, <When
            at={card.mailbox_at}
            bare
          />{/if}</span
      >
      <May operation="proveMailbox"
        ><Button
          size="xs"
          color="alternative"
          disabled={prove.isPending}
          onclick={() => prove.mutate(card.role)}>{say.contacts.testMailbox}</Button
        ></May
      >
    </p>
    {#if card.missing.length}
      <p class="border-l-4 border-l-ochre pl-2">
        {say.contacts.contactGaps(card.missing.map((f) => FIELDS[f] ?? f).join(', '))}
      </p>
    {/if}
    {#if !card.whole}<p class="muted">{say.contacts.contactUnknownRest}</p>{/if}
    {#if card.on_name}
      <p class="border-l-4 border-l-ochre pl-2">
        {say.contacts.mailboxMoves}
      </p>
    {/if}
  </div>
{:else}
  <p class="muted">{say.contacts.emptyContacts}</p>
{/each}
{#if prove.data}
  <p role="status">
    {#if prove.data.word}{say.contacts.testByYourself}
      <Copy text={prove.data.word} what={say.contacts.theWord} />{:else}{say.contacts.testSent}{/if}
  </p>
{/if}
<Trouble error={prove.error} />

<p>
  <button class="link" aria-expanded={mending} onclick={() => (mending = !mending)}
    >{say.contacts.addressActs}</button
  >
</p>
{#if mending}
  <form onsubmit={submit}>
    {#each sheet.contacts.choices as c (c.id)}
      <label class:not={!c.possible}>
        {#if c.possible && c.changes}<input
            type="radio"
            name="choice"
            value={c.id}
            bind:group={chosen}
          />{:else}<span aria-hidden="true">·</span>{/if}
        <span>
          <strong>{c.title}</strong>
          {#if c.best}<span class="muted">{say.contacts.noLoss}</span>{/if}
          {#each c.says as s (s)}<span class="says block"><Sentence text={s} /></span>{/each}
        </span>
      </label>
    {/each}
    {#if chosen}
      <p>
        <label for="new-mail">{say.contacts.newAddress}</label>
        <input id="new-mail" class="plain mono" type="email" required bind:value={email} />
        <May operation="repairContact"
          ><Button type="submit" size="sm" disabled={repair.isPending}
            >{say.contacts.changeIt}</Button
          ></May
        >
      </p>
    {/if}
  </form>
  <Trouble error={repair.error} />
  {#if repair.data}
    <div role="status" class="card py-2 px-0 border-b border-b-line">
      {#if repair.data.done}<p>{say.contacts.changedThere}</p>
      {:else if repair.data.hand}
        <Place hand={repair.data.hand} />
        <p>{repair.data.hand.does}</p>
        {#each repair.data.hand.typed as v, n (n)}<p>
            {v.label}: <Copy text={v.value} what={v.label} />
          </p>{/each}
        {#if repair.data.mailto}<p>
            <a href={repair.data.mailto}>{say.contacts.openTheLetterInYour}</a>
          </p>{/if}
        <p class="muted">{say.contacts.thenLookTheNameUp}</p>
      {/if}
    </div>
  {/if}
{/if}

<style>
  .card p,
  form p {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 16px;
    align-items: baseline;
    overflow-wrap: anywhere;
  }
  label:not([for]) {
    display: grid;
    grid-template-columns: max-content minmax(0, 1fr);
    gap: 8px;
    padding: 4px 0;
    align-items: baseline;
  }
  .not {
    color: var(--muted);
  }
</style>
