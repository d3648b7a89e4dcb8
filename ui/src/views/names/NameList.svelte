<script lang="ts">
  import { onMount, type Snippet } from 'svelte';
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { single, skipToSheet } from '../../lib/keys';
  import { asBefore, asked, isWorking, stretch } from '../../lib/list';
  import { own } from '../../lib/own';
  import { pick, picked } from '../../lib/tray.svelte';
  import { isActive, navigate, p, route } from '../../router';
  import { money } from '../../lib/words';
  import ListBesideSheet from '../../parts/ListBesideSheet.svelte';
  import Head from '../../parts/Head.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import AsIf from './AsIf.svelte';
  import Filters from './Filters.svelte';
  import Look from './Look.svelte';
  import PickList from './PickList.svelte';
  import WhatIf from './WhatIf.svelte';
  import May from '../../parts/May.svelte';
  import { say } from '../../lib/say';

  let { children }: { children: Snippet } = $props();
  const what = $derived(asked());
  const names = createQuery(() => ({
    queryKey: ['names', what, 0],
    queryFn: () => stretch(what, 0),
    placeholderData: (before) => before,
    refetchInterval: (query) => (query.state.data && isWorking(query.state.data) ? 400 : false),
  }));
  const places = createQuery(() => ({
    queryKey: ['accounts'],
    queryFn: () => ask(api.GET('/api/accounts')),
  }));
  const list = $derived(names.data && !isWorking(names.data) ? names.data : undefined);
  const working = $derived(names.data && isWorking(names.data) ? names.data.working : undefined);
  const accounts = $derived(places.data?.accounts ?? []);
  const open = $derived(!isActive('/names'));
  const current = $derived((route.params as Record<string, string | undefined>).name);
  const columns = $derived(own().names?.columns ?? (['account', 'stay'] as const));
  onMount(asBefore);

  function onkeydown(e: KeyboardEvent) {
    const name = document.activeElement?.getAttribute('data-name') ?? current;
    if (!name || !single(e, 'x')) return;
    e.preventDefault();
    pick(name);
  }
</script>

<svelte:window {onkeydown} />
<ListBesideSheet {open} half sheet={children}>
  {#snippet listed()}
    <header class="flex items-start justify-between gap-4 mb-2">
      <div>
        <Head
          title={say.names.names}
          answer={list?.held && !open
            ? say.names.head(list.held, list.tally.ready ?? 0, list.tally.needs ?? 0)
            : undefined}
        />
        {#if list?.held}
          <p class="note muted num">
            {list.total === list.held
              ? say.names.held(list.held)
              : say.names.of(list.total, list.held)}{#if list.stay.length}{say.names.stayingCosts(
                list.stay.map(money).join(' + '),
              )}{/if}{#if list.unpriced}{say.names.withoutPrice(list.unpriced)}{/if}
          </p>
        {/if}
      </div>
      <May operation="takeIn"
        ><button
          class="take border border-loden text-loden rounded-(--radius) py-1 px-2
            whitespace-nowrap cursor-pointer"
          onclick={() => navigate('/names/take-in')}>{say.names.takeNamesIn}</button
        ></May
      >
    </header>
    {#if !names.isPending}
      <div class="flex flex-wrap gap-2 items-center mb-2">
        <Filters {what} {list} {accounts} />
        <WhatIf {what} {accounts} />
        <PickList />
        <Look {columns} clients={!!list?.clients.length} />
      </div>
      {#if what.at && list}<AsIf what={{ ...what, at: what.at }} {list} />{/if}
    {/if}
    <Trouble error={names.error} />
    {#if open}<button class="skip text-loden underline" onclick={skipToSheet}
        >{say.names.skipToSheet}</button
      >{/if}
    {#if working}
      <p role="status">
        {say.names.judging(working.done, working.of || '…')}
        <progress max={working.of || 1} value={working.done}></progress>
      </p>
    {:else if list && list.total}
      {#await import('./List.svelte') then { default: List }}
        <List first={list} {what} {current} {columns} />
      {/await}
    {:else if list}
      <p class="none py-8 px-4 bg-sheet border border-line text-muted">
        {#if list.held}
          {say.names.noNameIsLikeThat}
        {:else}
          {say.names.emptyNames} <a href={p('/names/take-in')}>{say.names.takeNamesIn}</a>
          {say.names.emptyNamesEnd}
        {/if}
      </p>
    {/if}
  {/snippet}
</ListBesideSheet>
{#if picked().length}
  {#await import('./Tray.svelte') then { default: Tray }}<Tray />{/await}
{/if}

<style>
  .skip:not(:focus) {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
</style>
