<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Button } from 'flowbite-svelte';
  import { api, ask } from '../../lib/api';
  import Copy from '../../parts/Copy.svelte';
  import ForGood from '../../parts/ForGood.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import When from '../../parts/When.svelte';
  import { say } from '../../lib/say';

  /**
   * Deadlines, forecasts and expiries for one’s own calendar, under a secret address that is shown
   * once.
   */
  const client = useQueryClient();
  const feed = createQuery(() => ({
    queryKey: ['people', 'calendar'],
    queryFn: () => ask(api.GET('/api/me/calendar')),
  }));
  const change = createMutation(() => ({
    mutationFn: (end: boolean) =>
      ask(end ? api.POST('/api/me/calendar/end') : api.POST('/api/me/calendar')),
    onSuccess: () => client.invalidateQueries({ queryKey: ['people', 'calendar'] }),
  }));
  const address = $derived(change.data?.address);
</script>

<section>
  <h2>{say.calendar.title}</h2>
  <p class="muted">{say.calendar.about}</p>
  <Trouble error={feed.error ?? change.error} />
  {#if address}
    <p>{say.calendar.once}</p>
    <p>{say.calendar.all}: <Copy text={address} what={say.calendar.all} /></p>
    <p>{say.calendar.mine}: <Copy text="{address}?mine=true" what={say.calendar.mine} /></p>
    {#each change.data?.clients ?? [] as c (c)}
      <p>
        {say.calendar.client(c)}:
        <Copy text="{address}?client={encodeURIComponent(c)}" what={say.calendar.client(c)} />
      </p>
    {/each}
  {:else if feed.data?.made_at}
    <p>{say.calendar.made} <When at={feed.data.made_at} />.</p>
  {/if}
  <div class="acts">
    {#if feed.data?.made_at}
      <ForGood
        quiet
        label={say.calendar.renew}
        yes={say.calendar.yesEnd}
        busy={change.isPending}
        act={() => change.mutate(false)}
      />
      <ForGood
        quiet
        label={say.calendar.end}
        yes={say.calendar.yesEnd}
        busy={change.isPending}
        act={() => change.mutate(true)}
      />
    {:else}
      <Button
        size="sm"
        color="alternative"
        disabled={change.isPending}
        onclick={() => change.mutate(false)}>{say.calendar.make}</Button
      >
    {/if}
  </div>
</section>

<style>
  p {
    overflow-wrap: anywhere;
  }
</style>
