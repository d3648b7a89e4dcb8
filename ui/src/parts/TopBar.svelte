<script lang="ts">
  import { at } from '../lib/base';
  import { p, route } from '../router';
  import { may, session } from '../lib/session.svelte';
  import { viewOf, views } from '../lib/views';
  import DeskClock from './DeskClock.svelte';
  import Menu from './Menu.svelte';
  import PracticeClock from './PracticeClock.svelte';
  import { say } from '../lib/say';

  let { showKeys, showSearch }: { showKeys: () => void; showSearch: () => void } = $props();
  let dark = $state(document.documentElement.classList.contains('dark'));
  const here = $derived(viewOf(route.pathname));
  const all = $derived(views());
  const digit = (path: string) => {
    const at = all.findIndex((v) => v.path === path) + 1;
    return at < 10 ? String(at) : '';
  };
  const rest = $derived(all.filter((v) => !v.daily));
  const who = $derived(session.who);

  function turn() {
    dark = !dark;
    document.documentElement.classList.toggle('dark', dark);
    localStorage.setItem('theme', dark ? 'dark' : 'light');
  }
</script>

{#snippet link(v: (typeof all)[number])}
  <a
    href={p(v.path as '/')}
    title={digit(v.path)}
    class:here={here === v.path}
    aria-current={here === v.path ? 'page' : undefined}>{v.title}</a
  >
{/snippet}

<header
  class="flex items-center justify-between gap-1 py-0 px-2 bg-sheet border-b border-b-line
    h-[2.85rem]"
>
  <nav class="flex items-center whitespace-nowrap" aria-label={say.topBar.views}>
    <img
      class="mr-1 flex-none"
      src={at('/mark.svg')}
      alt={say.topBar.steadyMove}
      width="22"
      height="22"
    />
    <span class="daily flex items-center whitespace-nowrap max-[760px]:hidden">
      {#each all.filter((v) => v.daily) as v (v.path)}{@render link(v)}{/each}
    </span>
    <span class="rest max-[760px]:hidden">
      <Menu
        label={rest.find((v) => v.path === here)?.title ?? say.topBar.more}
        within={rest.some((v) => v.path === here)}
      >
        {#each rest as v (v.path)}{@render link(v)}{/each}
      </Menu>
    </span>
    <span class="folded hidden max-[760px]:block">
      <Menu label={all.find((v) => v.path === here)?.title ?? say.topBar.views} within>
        {#each all as v (v.path)}{@render link(v)}{/each}
      </Menu>
    </span>
  </nav>
  <div class="right flex items-center whitespace-nowrap">
    {#if who?.practice && may('moveClock')}<PracticeClock />{:else}<DeskClock />{/if}
    <button
      class="max-[760px]:hidden py-1 px-2 text-muted cursor-pointer rounded-(--radius)
        hover:text-ink hover:bg-loden-soft"
      onclick={showSearch}
      title={say.topBar.searchAll}>{say.topBar.search}</button
    >
    <Menu label="" right title={who?.email ?? ''}>
      {#snippet head()}<span
          class="who inline-block max-w-[9rem] overflow-hidden text-ellipsis align-bottom
              max-[760px]:max-w-[4.5rem]">{who?.email?.split('@')[0]}</span
        >
        <span class="role text-muted max-[900px]:hidden">{who?.role}</span>{/snippet}
      <a href={p('/you')}>{say.topBar.you}</a>
      <button onclick={showKeys} title={say.topBar.allKeys}>{say.topBar.keys}</button>
      <button onclick={turn} aria-pressed={dark}>{dark ? say.topBar.light : say.topBar.dark}</button
      >
      <button onclick={() => session.signOut()}>{say.topBar.signOut}</button>
    </Menu>
  </div>
</header>

<style>
  .daily a {
    color: var(--ink);
    text-decoration: none;
    font-weight: 600;
    padding: 8px 8px 8px;
    border-bottom: 3px solid transparent;
  }
  .daily a:hover {
    border-bottom-color: var(--line);
  }
  .daily a.here {
    border-bottom-color: var(--loden);
    font-weight: 600;
  }

  /* A line that is see-through is drawn there, too. */
  @media (forced-colors: active) {
    .daily a {
      border-bottom-color: Canvas;
    }
    .daily a.here {
      border-bottom-color: Highlight;
    }
  }
</style>
