<script lang="ts">
  import { isActiveLink } from 'sv-router';
  import { p, route } from '../router';
  import { may, session } from '../lib/session.svelte';
  import PracticeClock from './PracticeClock.svelte';
  import DeskClock from './DeskClock.svelte';
  import { say } from '../lib/say';

  let { showKeys, showSearch }: { showKeys: () => void; showSearch: () => void } = $props();
  let dark = $state(document.documentElement.classList.contains('dark'));

  function turn() {
    dark = !dark;
    document.documentElement.classList.toggle('dark', dark);
    localStorage.setItem('theme', dark ? 'dark' : 'light');
  }
</script>

<header>
  <nav aria-label={say.topBar.views}>
    <img src="/mark.svg" alt={say.topBar.steadyMove} width="22" height="22" />
    <a href={p('/')} title="1" {@attach isActiveLink({ className: 'here' })}>{say.topBar.desk}</a>
    <a href={p('/names')} title="2" {@attach isActiveLink({ className: 'here', startsWith: true })}
      >{say.topBar.names}</a
    >
    <a
      href={p('/moves')}
      title="3"
      class:within={/^\/(batches|approvals|ledger)/.test(route.pathname)}
      {@attach isActiveLink({ className: 'here', startsWith: true })}>{say.topBar.moves}</a
    >
    <a href={p('/records')} {@attach isActiveLink({ className: 'here', startsWith: true })}>{say.topBar.records}</a>
    <a href={p('/by-hand')} {@attach isActiveLink({ className: 'here' })}>{say.topBar.byHand}</a>
    <a href={p('/post')} title="4" {@attach isActiveLink({ className: 'here' })}>{say.topBar.post}</a>
    <a href={p('/rulebook')} title="5" {@attach isActiveLink({ className: 'here' })}>{say.topBar.rulebook}</a>
    <a href={p('/accounts')} title="6" {@attach isActiveLink({ className: 'here' })}>{say.topBar.accounts}</a>
    <a href={p('/status')} title="7" {@attach isActiveLink({ className: 'here' })}>{say.topBar.status}</a>
    {#if session.who?.practice}
      <a href={p('/practice')} {@attach isActiveLink({ className: 'here' })}>{say.topBar.practice}</a>
    {/if}
  </nav>
  <div class="right">
    {#if session.who?.practice && may('moveClock')}<PracticeClock />{:else}<DeskClock />{/if}
    <button class="quiet" onclick={showSearch} title={say.topBar.searchNamesMovesAndViews}>{say.topBar.search}</button>
    <button class="quiet" onclick={showKeys} title={say.topBar.allKeys}>{say.topBar.keys}</button>
    <button class="quiet" onclick={turn} aria-pressed={dark}>{dark ? say.topBar.light : say.topBar.dark}</button>
    <a class="quiet" href={p('/you')} title={session.who?.email ?? ''} {@attach isActiveLink({ className: 'here' })}
      >{say.topBar.you}</a
    >
    <button class="quiet" onclick={() => session.signOut()}>{say.topBar.signOut}</button>
  </div>
</header>

<style>
  header {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    justify-content: space-between;
    gap: 0 0.3rem;
    padding: 0 0.7rem;
    background: var(--sheet);
    border-bottom: 1px solid var(--line);
    min-height: 2.75rem;
  }
  nav,
  .right {
    display: flex;
    align-items: center;
    flex-wrap: wrap;
  }
  nav {
    gap: 0;
  }
  nav img {
    margin-right: 0.25rem;
  }
  nav a {
    color: var(--ink);
    text-decoration: none;
    padding: 0.7rem 0.28rem 0.55rem;
    border-bottom: 3px solid transparent;
  }
  nav a:hover {
    border-bottom-color: var(--line);
  }
  nav .within,
  nav :global(a.here) {
    border-bottom-color: var(--loden);
    font-weight: 650;
  }
  .right {
    gap: 0.1rem;
  }
  .quiet {
    padding: 0.35rem 0.16rem;
    color: var(--muted);
    cursor: pointer;
    border-radius: var(--radius);
  }
  a.quiet {
    text-decoration: none;
  }
  .right :global(a.here) {
    color: var(--ink);
    font-weight: 650;
  }
  .quiet:hover {
    color: var(--ink);
    background: var(--loden-soft);
  }
</style>
