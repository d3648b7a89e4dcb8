<script lang="ts">
  import type { Snippet } from 'svelte';
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { isActive, p, route } from '../../router';
  import { day } from '../../lib/words';
  import { say } from '../../lib/say';
  import MovesNav from '../moves/MovesNav.svelte';
  import ListBesideSheet from '../../parts/ListBesideSheet.svelte';
  import Head from '../../parts/Head.svelte';
  import Trouble from '../../parts/Trouble.svelte';

  let { children }: { children: Snippet } = $props();
  const list = createQuery(() => ({
    queryKey: ['batches'],
    queryFn: () => ask(api.GET('/api/batches')),
  }));
  const open = $derived(!isActive('/batches'));
  const current = $derived((route.params as Record<string, string | undefined>).id);
  const running = $derived((list.data?.batches ?? []).filter((b) => b.state === 'running').length);
  const all = (counts: Record<string, number>) => (counts.in ?? 0) + (counts.held ?? 0);
</script>

<ListBesideSheet {open} alone sheet={children}>
  {#snippet listed()}
    <MovesNav />
    <Head
      title={say.views.batches}
      answer={list.data && !open ? say.batches.head(list.data.batches.length, running) : undefined}
    />
    <Trouble error={list.error} />
    {#if list.data}
      <ul class="box">
        {#each list.data.batches as b (b.id)}
          <li
            class="flex flex-wrap gap-y-0.5 gap-x-4 py-2 px-4 border-b border-b-line
                last:border-b-0"
            class:current={String(b.id) === current}
          >
            <a
              href={p('/batches/:id', { params: { id: String(b.id) } })}
              data-row
              aria-current={String(b.id) === current}>{b.title}</a
            >
            <span>{say.batches.states[b.state]}</span>
            <span class="num">{say.batches.names(all(b.counts))}</span>
            {#if b.moving}<span class="num">{say.batches.moving(b.moving)}</span>{/if}
            {#if b.settled}<span class="num">{say.batches.settled(b.settled)}</span>{/if}
            <span class="muted wide">{say.batches.by(b.by, day(b.made_at))}</span>
          </li>
        {:else}
          <li class="py-8 px-4 text-muted">
            {say.batches.none}
          </li>
        {/each}
      </ul>
    {/if}
  {/snippet}
</ListBesideSheet>

<style>
  .current,
  li:hover {
    background: var(--loden-soft);
  }
</style>
