<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api';
  import { refresh } from '../../lib/live.svelte';
  import { may } from '../../lib/session.svelte';
  import { say } from '../../lib/say';
  import { amountIn, minor } from '../../lib/reading';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';

  /**
   * Is a destination ready to take an order? What was seen there, by whom and when; what nobody
   * looked at is open.
   */
  let {
    account,
    checks,
    currency,
    suffix,
    done,
  }: {
    suffix?: string;
    account: string;
    checks: Schemas['ReadyCheck'][];
    currency: string;
    done: () => void;
  } = $props();
  const client = useQueryClient();
  let held = $state('');
  const note = createMutation(() => ({
    mutationFn: (body: Schemas['ReadyNote']) =>
      ask(api.POST('/api/accounts/{id}/ready', { params: { path: { id: account } }, body })),
    onSuccess: () => {
      held = '';
      void refresh(client, 'accounts', 'names', 'hands');
      done();
    },
  }));
  // A profile is complete for a suffix: what one wants another may not.
  const tell = (key: Schemas['ReadyNote']['key'], is: boolean) =>
    note.mutate({ key, is, ...(key === 'profile' && suffix ? { suffix } : {}) });
  function keep(e: SubmitEvent) {
    e.preventDefault();
    const sum = minor(held, currency);
    if (sum !== undefined) note.mutate({ key: 'balance', balance: { minor: sum, currency } });
  }
</script>

{#if checks.length}
  <section aria-label={say.ready.isItReady}>
    <h2 class="mb-1">{say.ready.isItReady}</h2>
    <ul>
      {#each checks as c (c.key)}
        <li
          class="flex flex-wrap justify-between gap-y-1 gap-x-4 py-1 pr-0 pl-2 border-l-4
            border-l-loden mb-1"
          class:no={c.is === false}
          class:open={c.is === null}
        >
          <div class="flex-[1_1_20rem]">
            <p>
              {c.says}
              {#if c.seen_at}<span class="muted"
                  >{say.ready.seenBy(c.by ?? '')} <When at={c.seen_at} bare /></span
                >{/if}
            </p>
            {#if c.is === null}<p class="muted">{c.find_out}</p>{/if}
          </div>
          {#if may('noteReady')}
            {#if c.key === 'balance'}
              <form class="flex gap-4 items-center" onsubmit={keep}>
                <input
                  class="plain num w-[7rem]"
                  inputmode="decimal"
                  {@attach amountIn(() => currency)}
                  required
                  placeholder={currency}
                  aria-label={say.ready.balance(currency)}
                  bind:value={held}
                />
                <button class="link">{say.ready.noteIt}</button>
              </form>
            {:else}
              <p class="acts flex gap-4 items-center">
                {#if c.is !== true}<button class="link" onclick={() => tell(c.key, true)}
                    >{say.ready.itIs}</button
                  >{/if}
                {#if c.is !== false}<button class="link" onclick={() => tell(c.key, false)}
                    >{say.ready.itIsNot}</button
                  >{/if}
              </p>
            {/if}
          {/if}
        </li>
      {/each}
    </ul>
    <Trouble error={note.error} />
  </section>
{/if}

<style>
  .no {
    border-left-color: var(--madder);
  }
  .open {
    border-left-color: var(--line);
  }
</style>
