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

<header>
  <nav aria-label={say.topBar.views}>
    <img src={at('/mark.svg')} alt={say.topBar.steadyMove} width="22" height="22" />
    <span class="daily">
      {#each all.filter((v) => v.daily) as v (v.path)}{@render link(v)}{/each}
    </span>
    <span class="rest">
      <Menu
        label={rest.find((v) => v.path === here)?.title ?? say.topBar.more}
        within={rest.some((v) => v.path === here)}
      >
        {#each rest as v (v.path)}{@render link(v)}{/each}
      </Menu>
    </span>
    <span class="folded">
      <Menu label={all.find((v) => v.path === here)?.title ?? say.topBar.views} within>
        {#each all as v (v.path)}{@render link(v)}{/each}
      </Menu>
    </span>
  </nav>
  <div class="right">
    {#if who?.practice && may('moveClock')}<PracticeClock />{:else}<DeskClock />{/if}
    <button class="quiet" onclick={showSearch} title={say.topBar.searchAll}
      >{say.topBar.search}</button
    >
    <Menu label="" right title={who?.email ?? ''}>
      {#snippet head()}<span class="who">{who?.email?.split('@')[0]}</span>
        <span class="role">{who?.role}</span>{/snippet}
      <a href={p('/you')}>{say.topBar.you}</a>
      <button onclick={showKeys} title={say.topBar.allKeys}>{say.topBar.keys}</button>
      <button onclick={turn} aria-pressed={dark}>{dark ? say.topBar.light : say.topBar.dark}</button
      >
      <button onclick={() => session.signOut()}>{say.topBar.signOut}</button>
    </Menu>
  </div>
</header>

<style>
  header {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 4px;
    padding: 0 8px;
    background: var(--sheet);
    border-bottom: 1px solid var(--line);
    height: 2.85rem;
  }
  nav,
  .daily,
  .right {
    display: flex;
    align-items: center;
    white-space: nowrap;
  }
  nav img {
    margin-right: 4px;
    flex: none;
  }
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
  .folded {
    display: none;
  }
  .quiet {
    padding: 4px 8px;
    color: var(--muted);
    cursor: pointer;
    border-radius: var(--radius);
  }
  .quiet:hover {
    color: var(--ink);
    background: var(--loden-soft);
  }
  .who {
    display: inline-block;
    max-width: 9rem;
    overflow: hidden;
    text-overflow: ellipsis;
    vertical-align: bottom;
  }
  .role {
    color: var(--muted);
  }
  @media (max-width: 900px) {
    .role {
      display: none;
    }
  }
  @media (max-width: 760px) {
    .daily,
    .rest {
      display: none;
    }
    .folded {
      display: block;
    }
    .right .quiet {
      display: none;
    }
    .who {
      max-width: 4.5rem;
    }
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
