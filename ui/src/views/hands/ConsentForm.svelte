<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { untrack } from 'svelte';
  import { api, ask, type Schemas } from '../../lib/api';
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
  let left = $state<number[]>([]);
  const chosen = $derived(due.moves.filter((m) => !left.includes(m.id)));
  const give = createMutation(() => ({
    mutationFn: () =>
      ask(
        api.POST('/api/hands/consent', {
          body: { moves: chosen.map((m) => m.id), given_by: owner, until: new Date(`${until}T23:59:59`).toISOString() },
        }),
      ),
    onSuccess: () => refresh(client),
  }));

  function submit(e: SubmitEvent) {
    e.preventDefault();
    give.mutate();
  }
</script>

<May operation="consent">
  <section class="panel" aria-label={say.consentForm.consent}>
    <h2>{say.consentForm.theOwnersConsent}</h2>
    <p>
      {say.consentForm.beforeThePrivacyServiceGoes(due.shown.join(', '))}
    </p>
    <ul>
      {#each due.moves as m (m.id)}
        <li>
          <label
            ><input
              type="checkbox"
              checked={!left.includes(m.id)}
              onchange={() => (left = left.includes(m.id) ? left.filter((i) => i !== m.id) : [...left, m.id])}
            /> <span class="mono">{m.name}</span></label
          >
        </li>
      {/each}
    </ul>
    <form onsubmit={submit}>
      <Field
        id="c-owner"
        label={say.consentForm.whoGaveItAndHow}
        required
        minlength={2}
        maxlength={200}
        bind:value={owner}
      />
      <Field id="c-until" label={say.consentForm.untilTheEndOf} type="date" required bind:value={until} />
      <div>
        <Button type="submit" disabled={give.isPending || !chosen.length}
          >{say.consentForm.recordTheConsentFor(
            chosen.length === 1 ? say.consentForm.n1Name : say.consentForm.names(chosen.length),
          )}</Button
        >
      </div>
    </form>
    <Trouble error={give.error} />
  </section>
</May>

<style>
  form {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(15rem, 1fr));
    gap: 0.8rem;
    align-items: end;
    margin-top: 0.6rem;
  }
</style>
