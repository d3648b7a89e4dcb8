<script lang="ts">
  import type { QueryClient } from '@tanstack/svelte-query';
  import { Router } from 'sv-router';
  import { follow, line } from '../lib/live.svelte';
  import { globalKey } from '../lib/keys';
  import '../router';
  import Palette from './Palette.svelte';
  import KeysHelp from './KeysHelp.svelte';
  import TopBar from './TopBar.svelte';
  import { say } from '../lib/say';

  let { client }: { client: QueryClient } = $props();
  let help = $state(false);
  let search = $state(false);

  $effect(() => follow(client));

  function onkeydown(e: KeyboardEvent) {
    if (globalKey(e, { help: () => (help = true), search: () => (search = true) })) e.preventDefault();
  }
</script>

<svelte:window {onkeydown} />
<a class="skip" href="#view">{say.frame.skipToTheView}</a>
<TopBar showKeys={() => (help = true)} showSearch={() => (search = true)} />
{#if !line.open}
  <p class="cut" role="status">{say.frame.theLineToTheDesk}</p>
{/if}
<div id="view" tabindex="-1"><Router /></div>
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
</style>
