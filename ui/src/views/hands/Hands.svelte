<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import { openWhile } from '../../lib/fold';
  import { refresh } from '../../lib/live.svelte';
  import { p } from '../../router';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';
  import CodeList from '../codes/CodeList.svelte';
  import Acts from './Acts.svelte';
  import ConsentForm from './ConsentForm.svelte';
  import Leavings from './Leavings.svelte';
  import Letter from './Letter.svelte';
  import May from '../../parts/May.svelte';
  import { say } from '../../lib/say';

  const hands = createQuery(() => ({
    queryKey: ['hands'],
    queryFn: () => ask(api.GET('/api/hands')),
  }));
  const client = useQueryClient();
  const left = createMutation(() => ({
    mutationFn: ({ id, left }: { id: number; left: boolean }) =>
      ask(api.POST('/api/letters/{id}/left', { params: { path: { id } }, body: { left } })),
    onSettled: () => refresh(client, 'desk', 'moves', 'hands'),
  }));
  let reminding = $state<number>();
  let listing = $state(false);
  const codes = $derived(
    hands.data?.places.some((l) => l.items.some((i) => i.hand.pastes)) ?? false,
  );
  // What somebody has to do now: at registrars, and consents that the desk waits for.
  const tasks = $derived(
    (hands.data?.places ?? []).flatMap((l) => l.items.filter((i) => !i.said_at)).length +
      (hands.data?.consents?.moves.length ?? 0) +
      (hands.data?.overdue.length ?? 0) +
      (hands.data?.leavings.length ?? 0),
  );
  const STATES = {
    intended: say.hands.viaUnknown,
    sent: say.hands.unanswered,
    answered: 'answered',
  };
  const ways = (letter: { how: string; state: keyof typeof STATES }) =>
    `${letter.how === 'smtp' ? say.hands.viaDesk : say.hands.viaHand}; ${STATES[letter.state]}`;
</script>

<main class="view">
  <h1 class="answer">{hands.data ? say.hands.head(tasks) : say.hands.byHand}</h1>
  <Trouble error={hands.error} />
  {#if hands.data}
    {@const h = hands.data}
    {#if h.consents}{#key h.consents.moves.length}<ConsentForm due={h.consents} />{/key}{/if}
    {#each h.overdue as l (l.id)}
      <section class="panel border-l-4 border-l-madder">
        <h2>
          {l.state === 'intended'
            ? say.hands.maybeSent(l.recipient)
            : say.hands.lateAnswer(l.recipient)}
        </h2>
        <p>{say.hands.written} <When at={l.at} />: “{l.subject}”.</p>
        {#if reminding === l.id}
          <Letter reminds={l.id} canSend={h.can_send} done={() => (reminding = undefined)} />
        {:else if l.state === 'intended'}<p class="acts">
            <May operation="letterLeft"
              ><Button
                size="sm"
                color="alternative"
                onclick={() => left.mutate({ id: l.id, left: true })}>{say.hands.itLeft}</Button
              ><Button
                size="sm"
                color="alternative"
                onclick={() => left.mutate({ id: l.id, left: false })}>{say.hands.redraft}</Button
              ></May
            >
          </p>
          <Trouble error={left.error} />
        {:else}<p>
            <May operation="sendLetter"
              ><Button color="alternative" size="sm" onclick={() => (reminding = l.id)}
                >{say.hands.remind}</Button
              ></May
            >
          </p>{/if}
      </section>
    {/each}
    {#each h.places as place (place.id)}<Acts {place} canSend={h.can_send} />{/each}
    {#each h.leavings as left (left.id)}<Leavings place={left} />{/each}
    {#if codes}
      {#if listing}<CodeList done={() => (listing = false)} />{:else}
        <p>
          <May operation="keepCodes"
            ><Button color="alternative" onclick={() => (listing = true)}
              >{say.hands.pasteCodes}</Button
            ></May
          >
        </p>
      {/if}
    {/if}
    {#if !h.places.length && !h.consents && !h.overdue.length && !h.leavings.length}
      <p class="empty">
        {say.hands.actsAtRegistrarsWithoutA} <a href={p('/names')}>{say.hands.chooseNames}</a>
        {say.hands.andPlanAll}
      </p>
    {/if}
    {#if h.letters.length}
      <details class="panel" {@attach openWhile(() => h.letters.length < 4)}>
        <summary>{say.hands.letters} <span class="num muted">{h.letters.length}</span></summary>
        <ul>
          {#each h.letters as l (l.id)}
            <li
              class="flex flex-wrap gap-x-4 py-1 px-0 border-t border-t-line
                wrap-anywhere"
            >
              <span>{l.subject}</span> <span class="muted mono">{l.recipient}</span>
              <span class="muted"
                ><When at={l.at} />, {ways(l)}
                {#if l.answered_at}<When at={l.answered_at} bare />{/if}</span
              >
            </li>
          {/each}
        </ul>
      </details>
    {/if}
  {/if}
</main>
