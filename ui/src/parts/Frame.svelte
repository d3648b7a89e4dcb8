<script lang="ts">
  import { base } from '../lib/base';
  import type { QueryClient } from '@tanstack/svelte-query';
  import { Router } from 'sv-router';
  import { follow, line } from '../lib/live.svelte';
  import { globalKey } from '../lib/keys';
  import { arrive } from '../lib/arrive';
  import { route } from '../router';
  import Palette from './Palette.svelte';
  import KeysHelp from './KeysHelp.svelte';
  import TopBar from './TopBar.svelte';
  import { say } from '../lib/say';

  let { client }: { client: QueryClient } = $props();
  let help = $state(false);
  let search = $state(false);

  let view = $state<HTMLElement>();
  let before = '';

  $effect(() => follow(client));
  // A sheet that opens beside its list keeps the list's focus; another view takes it to its heading.
  $effect(() => {
    const path = route.pathname;
    if (!view) return;
    const other = before !== '' && before.split('/')[1] !== path.split('/')[1];
    before = path;
    return arrive(view, other);
  });

  function onkeydown(e: KeyboardEvent) {
    if (globalKey(e, { help: () => (help = true), search: () => (search = true) })) e.preventDefault();
  }
</script>

<svelte:window {onkeydown} />
<a class="skip" href="#view">{say.frame.skipToTheView}</a>
<TopBar showKeys={() => (help = true)} showSearch={() => (search = true)} />
{#if line.trouble}
  <p class="cut grave" role="alert">{line.trouble}</p>
{/if}
{#if !line.open}
  <p class="cut" role="status">{say.frame.theLineToTheDesk}</p>
{/if}
<div id="view" tabindex="-1" bind:this={view}><Router base={base || undefined} /></div>
<KeysHelp bind:open={help} />
<Palette bind:open={search} />

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
    padding: 0.4rem;
    z-index: 20;
  }
  .cut {
    background: var(--ochre-soft);
    color: var(--ink);
    padding: 0.3rem 1rem;
  }
  .grave {
    background: var(--madder-soft);
  }
</style>
