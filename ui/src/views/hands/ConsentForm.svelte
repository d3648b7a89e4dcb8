<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { untrack } from 'svelte';
  import { SvelteSet } from 'svelte/reactivity';
  import { api, ask, type Schemas } from '../../lib/api';
  import { endOf } from '../../lib/days';
  import Field from '../../parts/Field.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import May from '../../parts/May.svelte';
  import { refresh } from '../../lib/live.svelte';
  import { say } from '../../lib/say';

  /** One consent for all moves that wait for one. */
  let { due }: { due: NonNullable<Schemas['Hands']['consents']> } = $props();
  const client = useQueryClient();
  let owner = $state('');
  let until = $state(untrack(() => due.until.slice(0, 10)));
  // Of several names nobody has consented to any before a person says so; a single one is named
  // above the button.
  const ticked = new SvelteSet<number>();
  const several = $derived(due.moves.length > 1);
  const chosen = $derived(several ? due.moves.filter((m) => ticked.has(m.id)) : due.moves);
  const give = createMutation(() => ({
    mutationFn: () =>
      ask(
        api.POST('/api/hands/consent', {
          body: {
            moves: chosen.map((m) => m.id),
            given_by: owner,
            until: endOf(until),
          },
        }),
      ),
    onSuccess: () => refresh(client, 'desk', 'moves', 'hands'),
  }));

  function submit(e: SubmitEvent) {
    e.preventDefault();
    if (chosen.length) give.mutate();
  }
</script>

<May operation="consent">
  <section class="panel" aria-label={say.consentForm.consent}>
    <h2>{say.consentForm.consentTitle}</h2>
    <p>
      {say.consentForm.consentRule(due.shown.join(', '))}
    </p>
    <ul>
      {#each due.moves as m (m.id)}
        <li>
          {#if several}
            <label
              ><input
                type="checkbox"
                checked={ticked.has(m.id)}
                onchange={(e) => ticked[e.currentTarget.checked ? 'add' : 'delete'](m.id)}
              /> <span class="mono">{m.unicode}</span></label
            >
          {:else}<span class="mono">{m.unicode}</span>{/if}
        </li>
      {/each}
    </ul>
    {#if several}
      <p>
        <label
          ><input
            type="checkbox"
            checked={chosen.length === due.moves.length}
            onchange={(e) =>
              due.moves.forEach((m) => ticked[e.currentTarget.checked ? 'add' : 'delete'](m.id))}
          />
          {say.acts.all(due.moves.length)}</label
        >
      </p>
    {/if}
    <form
      class="grid grid-cols-[repeat(auto-fit,minmax(15rem,1fr))] gap-4 items-end mt-2"
      onsubmit={submit}
    >
      <Field
        id="c-owner"
        label={say.consentForm.consentGiver}
        required
        minlength={2}
        maxlength={200}
        bind:value={owner}
      />
      <Field
        id="c-until"
        label={say.consentForm.untilEnd}
        type="date"
        required
        bind:value={until}
      />
      <div>
        <Button type="submit" disabled={give.isPending || !chosen.length}
          >{say.consentForm.recordTheConsentFor(chosen.length)}</Button
        >
      </div>
    </form>
    <Trouble error={give.error} />
  </section>
</May>
