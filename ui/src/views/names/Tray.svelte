<script lang="ts">
  import Download from '../../parts/Download.svelte';
  import { at } from '../../lib/base';
  import { single } from '../../lib/keys';
  import { kept, keptSearch } from '../../lib/list';
  import { hold, picked } from '../../lib/tray.svelte';
  import TrayActs from './TrayActs.svelte';
  import LookAgain from './LookAgain.svelte';
  import { navigate, p } from '../../router';
  import { say } from '../../lib/say';

  const names = $derived(picked());
  // What stands above it makes room for it, however many lines it takes.
  function room(tray: HTMLElement) {
    const root = document.documentElement.style;
    const watch = new ResizeObserver(() => root.setProperty('--tray', `${tray.offsetHeight}px`));
    watch.observe(tray);
    return () => {
      watch.disconnect();
      root.removeProperty('--tray');
    };
  }
  const list = $derived(names.map(encodeURIComponent).join(','));

  function plan() {
    if (names.length > 1) void navigate('/names/batch', { search: keptSearch() });
    else if (names[0])
      void navigate('/names/:name/plan', { params: { name: names[0] }, search: keptSearch() });
  }
  function onkeydown(e: KeyboardEvent) {
    if (!names.length || !single(e, 'p')) return;
    e.preventDefault();
    plan();
  }
</script>

<svelte:window {onkeydown} />
{#if names.length}
  <aside
    class="fixed top-auto right-0 bottom-0 left-0 z-10 flex flex-wrap gap-y-2 gap-x-4
      items-center py-2 px-4 bg-raised border-t-2 border-t-loden"
    aria-label={say.tray.theTray}
    {@attach room}
  >
    <strong
      >{say.tray.trayCount(
        names.length === 1 ? say.tray.n1Name : say.tray.names(names.length),
      )}</strong
    >
    <span
      class="mono muted names flex-1 min-w-0 overflow-hidden text-ellipsis whitespace-nowrap
        max-[800px]:hidden">{names.slice(0, 4).join('  ')}{names.length > 4 ? ' …' : ''}</span
    >
    <button
      class="cursor-pointer bg-loden text-loden-ink no-underline rounded-(--radius) py-1 px-4
        wrap-anywhere"
      title={say.tray.planTrayKey}
      onclick={plan}
      >{names.length === 1 ? say.tray.planMove : say.tray.planAll(names.length)}</button
    >
    <TrayActs {names} />
    <LookAgain {names} />
    <a href={p('/records') + kept()}>{say.tray.recordsLinks}</a>
    <Download href={at(`/api/names.csv?names=${list}`)}>{say.tray.judgedList}</Download>
    <a href={at(`/api/names/report?names=${list}`)} target="_blank" rel="noopener"
      >{say.tray.reportPage}</a
    >
    <button class="cursor-pointer text-loden underline" onclick={() => hold([])}
      >{say.tray.emptyTray}</button
    >
  </aside>
{/if}
