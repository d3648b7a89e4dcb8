<script lang="ts">
  import { base } from '../lib/base';
  import type { QueryClient } from '@tanstack/svelte-query';
  import { Router } from 'sv-router';
  import { follow, line } from '../lib/live.svelte';
  import { globalKey } from '../lib/keys';
  import { arrive } from '../lib/arrive';
  import { keepFocus } from '../lib/keepfocus';
  import { route } from '../router';
  import Palette from './Palette.svelte';
  import TopBar from './TopBar.svelte';
  import Unsaved from './Unsaved.svelte';
  import Waiting from './Waiting.svelte';
  import { say } from '../lib/say';

  let { client }: { client: QueryClient } = $props();
  let help = $state(false);
  // Fetched when it is asked for the first time.
  let asked = $state(false);
  $effect(() => void (asked ||= help));
  let search = $state(false);

  let view = $state<HTMLElement>();
  let before = '';

  $effect(() => follow(client));
  $effect(() => (view ? keepFocus(view) : undefined));
  // A view, or a sheet that opens beside its list, takes the focus to its heading; one that closes
  // gives it back to the row that it was opened from.
  $effect(() => {
    const path = route.pathname;
    if (!view) return;
    const was = before;
    before = path;
    const closed = was.startsWith(`${path}/`) && path !== '/';
    if (closed) back(was.slice(path.length + 1).split('/')[0]!);
    return arrive(view, was !== '' && was !== path && !closed);
  });
  function back(opened: string) {
    const row = [...(view?.querySelectorAll<HTMLElement>('[data-row]') ?? [])].find(
      (r) =>
        r.dataset.name === decodeURIComponent(opened) ||
        r.getAttribute('href')?.split(/[?#]/)[0]!.endsWith(`/${opened}`),
    );
    row?.focus();
  }

  function onkeydown(e: KeyboardEvent) {
    if (globalKey(e, { help: () => (help = true), search: () => (search = true) }))
      e.preventDefault();
  }
  // What a view is opened for: its one act, else the first of its rows.
  function toFirst() {
    const first = (what: string) => view?.querySelector<HTMLElement>(what);
    (first('[data-act] button') ?? first('[data-row]') ?? view)?.focus();
  }
  // What is folded away is read on paper all the same.
  let unfolded: HTMLDetailsElement[] = [];
  function onbeforeprint() {
    unfolded = [...(view?.querySelectorAll<HTMLDetailsElement>('details:not([open])') ?? [])];
    for (const part of unfolded) part.open = true;
  }
  function onafterprint() {
    for (const part of unfolded) part.open = false;
    unfolded = [];
  }
</script>

<svelte:window {onkeydown} {onbeforeprint} {onafterprint} />
<a class="skip" href="#view">{say.frame.skip}</a>
<button class="skip" onclick={toFirst}>{say.frame.skipToFirst}</button>
{#if !route.pathname.startsWith('/visit/')}
  <TopBar showKeys={() => (help = true)} showSearch={() => (search = true)} />
{/if}
{#if line.trouble}
  <p class="text-ink py-1 px-4 bg-madder-soft" role="alert">{line.trouble}</p>
{/if}
{#if !line.open}
  <p class="bg-ochre-soft text-ink py-1 px-4" role="status">{say.frame.cutOff}</p>
{/if}
<div id="view" tabindex="-1" bind:this={view}><Router base={base || undefined} /></div>
{#if asked}
  {#await import('./KeysHelp.svelte') then { default: KeysHelp }}<KeysHelp
      bind:open={help}
    />{/await}
{/if}
<Palette bind:open={search} />
<Unsaved />
<Waiting />

<style>
  #view {
    outline: none;
  }
  .skip {
    position: absolute;
    left: -999px;
  }
  .skip:focus {
    left: 0.5rem;
    top: 0.5rem;
    background: var(--raised);
    padding: 8px;
    z-index: 20;
  }
</style>
