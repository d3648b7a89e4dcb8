<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask } from '../lib/api';
  import { clock } from '../lib/clock.svelte';
  import { readClock } from '../lib/live.svelte';
  import { full, span, zone } from '../lib/words';
  import { refresh } from '../lib/live.svelte';
  import { narrow } from '../lib/narrow';
  import Menu from './Menu.svelte';
  import { say } from '../lib/say';

  const client = useQueryClient();
  const practice = createQuery(() => ({
    queryKey: ['practice'],
    queryFn: () => ask(api.GET('/api/practice')),
  }));
  const shown = new Intl.DateTimeFormat('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
  });
  const brief = new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });
  const iso = $derived(new Date(clock.now).toISOString());
  const next = $derived(practice.data?.next_event);
  let busy = $state(false);
  let said = $state('');

  async function moveOn(seconds?: number) {
    busy = true;
    said = '';
    try {
      await ask(api.POST('/api/practice/clock', { body: seconds ? { seconds } : {} }));
      await readClock();
      await refresh(client);
    } catch (e) {
      said = (e as Error).message;
    }
    busy = false;
  }
</script>

{#snippet steps()}
  <button disabled={busy} onclick={() => moveOn(900)}>{say.practiceClock.n15Min}</button>
  <button disabled={busy} onclick={() => moveOn(86400)}>{say.practiceClock.n1Day}</button>
  <button
    disabled={busy || !next}
    onclick={() => moveOn()}
    title={next
      ? say.practiceClock.theNextEventIsAway(span(Date.parse(next) - clock.now))
      : say.practiceClock.nothingAhead}>{say.practiceClock.nextEvent}</button
  >
{/snippet}

<div
  class="clock flex items-center gap-1 mr-1"
  role="group"
  aria-label={say.practiceClock.practiceClock}
>
  {#if narrow.current}
    <Menu label={brief.format(clock.now)} right title={say.practiceClock.clockAt(full(iso))}>
      <p class="num py-1 px-2 text-muted whitespace-nowrap">
        {shown.format(clock.now)}
        {zone(clock.now)}
      </p>
      {@render steps()}
    </Menu>
  {:else}
    <time
      class="num min-w-[15.5em] text-right mr-1"
      datetime={iso}
      title={say.practiceClock.clockAt(full(iso))}>{shown.format(clock.now)} {zone(clock.now)}</time
    >
    {@render steps()}
  {/if}
  <span class="hidden-words" role="status">{busy ? say.practiceClock.clockMoving : said}</span>
  {#if said}<span class="said text-madder">{said}</span>{/if}
</div>

<style>
  .clock > button {
    border: 1px solid var(--line);
    border-radius: var(--radius);
    background: var(--raised);
    padding: 4px 8px;
    cursor: pointer;
  }
  button:hover:not(:disabled) {
    border-color: var(--loden);
  }
  button:disabled {
    opacity: 0.55;
    cursor: default;
  }
</style>
