<script lang="ts">
  import { createMutation, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../lib/api';
  import { refresh } from '../lib/live.svelte';
  import { say } from '../lib/say';
  import { may } from '../lib/session.svelte';
  import ForGood from './ForGood.svelte';
  import Trouble from './Trouble.svelte';
  import When from './When.svelte';

  /** Names for which a code came that differs from the one that is held: somebody chooses. */
  let { choices }: { choices: Schemas['TwoCodes'][] } = $props();
  const client = useQueryClient();
  const choose = createMutation(() => ({
    mutationFn: ({ name, later }: { name: string; later: boolean }) =>
      ask(api.POST('/api/codes/{name}/choose', { params: { path: { name } }, body: { later } })),
    onSuccess: () => refresh(client, 'codes', 'desk', 'moves', 'hands'),
  }));
</script>

<section
  class="panel block py-2 px-4 border-l-4 border-l-madder"
  aria-label={say.twoCodes.twoCodes}
>
  <h2 class="m-0">{say.twoCodes.twoCodes}</h2>
  <p class="muted max-w-[70ch]">{say.twoCodes.aboutTwoCodes}</p>
  <Trouble error={choose.error} />
  <ul>
    {#each choices as c (c.name)}
      <li class="flex flex-wrap gap-y-1 gap-x-4 items-baseline py-1 px-0">
        <strong class="mono">{c.unicode}</strong>
        <span>
          {#if c.held_at}{say.twoCodes.heldSince} <When at={c.held_at} bare />;{/if}
          {say.twoCodes.laterFrom(c.sent_by ?? '–')}
          <When at={c.received_at} bare />
        </span>
        {#if may('chooseOfTwo')}
          <ForGood
            quiet
            label={say.twoCodes.takeLater}
            named={say.twoCodes.takeLaterOf(c.unicode)}
            yes={say.twoCodes.yesTakeLater}
            busy={choose.isPending}
            act={() => choose.mutate({ name: c.name, later: true })}
          />
          <ForGood
            quiet
            label={say.twoCodes.keepHeld}
            named={say.twoCodes.keepHeldOf(c.unicode)}
            yes={say.twoCodes.yesKeepHeld}
            busy={choose.isPending}
            act={() => choose.mutate({ name: c.name, later: false })}
          />
        {/if}
      </li>
    {/each}
  </ul>
</section>
