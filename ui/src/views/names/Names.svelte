<script lang="ts">
  import Download from '../../parts/Download.svelte';
  import { at } from '../../lib/base';
  import type { Snippet } from 'svelte';
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api';
  import { single, skipToSheet } from '../../lib/keys';
  import { asked, isWorking, kept, pick, stretch } from '../../lib/list';
  import { isActive, navigate, p, route } from '../../router';
  import { money } from '../../lib/words';
  import ListBesideSheet from '../../parts/ListBesideSheet.svelte';
  import Trouble from '../../parts/Trouble.svelte';
  import Filters from './Filters.svelte';
  import List from './List.svelte';
  import Tray from './Tray.svelte';
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
  let unfolded = $state(false);
  const open = $derived(!isActive('/names'));
  const current = $derived((route.params as Record<string, string | undefined>).name);

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
    <div class="head">
      <h1>{say.names.names}</h1>
      {#if list}
        <p class="muted num">
          {list.total === list.held
            ? say.names.held(list.held)
            : say.names.of(list.total, list.held)}{#if list.stay.length}{say.names.stayingCosts(
              list.stay.map(money).join(' + '),
            )}{/if}{#if list.unpriced}{say.names.withoutPrice(list.unpriced)}{/if}
        </p>
      {/if}
      <Download href={at(`/api/names.csv${kept()}`)}>{say.names.csv}</Download>
      <a
        href={at(`/api/names/report${kept()}`)}
        target="_blank"
        rel="noopener"
        title={say.names.wholeList}>{say.names.report}</a
      >
      <May operation="takeIn"
        ><button class="take" onclick={() => navigate('/names/take-in')}
          >{say.names.takeNamesIn}</button
        ></May
      >
    </div>
    {#if !names.isPending}
      <div class="sieve" class:elsewhen={!!what.at}>
        <Filters {what} {list} {accounts} bind:unfolded />
        <div class="when" class:unfolded={unfolded || what.at || what.to}>
          <WhatIf {what} {list} {accounts} />
        </div>
      </div>
    {/if}
    <Trouble error={names.error} />
    {#if open}<button class="skip" onclick={skipToSheet}>{say.names.skipToSheet}</button>{/if}
    {#if working}
      <p role="status">
        {say.names.judging(working.done, working.of || '…')}
        <progress max={working.of || 1} value={working.done}></progress>
      </p>
    {:else if list && list.total}
      <List first={list} {what} {current} />
    {:else if list}
      <p class="none">
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
<Tray />

<style>
  .sieve {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 8px;
    align-items: center;
    margin-bottom: 8px;
  }
  .elsewhen .when {
    flex-basis: 100%;
  }
  .head {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 4px 16px;
    margin-bottom: 8px;
  }
  .head p {
    flex: 1;
  }
  .take {
    border: 1px solid var(--loden);
    color: var(--loden);
    border-radius: var(--radius);
    padding: 4px 8px;
    cursor: pointer;
  }
  .skip:not(:focus) {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
  .skip {
    color: var(--loden);
    text-decoration: underline;
  }
  .none {
    padding: 32px 16px;
    background: var(--sheet);
    border: 1px solid var(--line);
    color: var(--muted);
  }
  @media (max-width: 760px) {
    .when:not(.unfolded) {
      display: none;
    }
    .head p {
      flex-basis: 100%;
      order: 9;
    }
  }
</style>
