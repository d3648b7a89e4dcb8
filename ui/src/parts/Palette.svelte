<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../lib/api';
  import { isWorking, stretch } from '../lib/list';
  import { navigate } from '../router';
  import { guide } from '../lib/guide';
  import { views } from '../lib/views';
  import { say } from '../lib/say';

  let { open = $bindable(false) }: { open?: boolean } = $props();
  let dialog = $state<HTMLDialogElement>();
  let text = $state('');
  let at = $state(0);
  const names = createQuery(() => ({
    queryKey: ['names', 'search', text],
    queryFn: () => stretch({ q: text.trim() || undefined, sort: 'name' }, 0),
    placeholderData: (before) => before,
    enabled: open,
  }));
  const held = $derived(names.data && !isWorking(names.data) ? names.data.names : []);
  const moves = createQuery(() => ({
    queryKey: ['moves'],
    queryFn: () => ask(api.GET('/api/moves')),
    enabled: open,
  }));
  type Found = { title: string; note: string; path: string; words?: string };
  const all = $derived<Found[]>([
    ...views().map((v) => ({ title: v.title, note: say.palette.view, path: v.path })),
    { title: say.palette.addNames, note: say.palette.view, path: '/names/take-in' },
    ...guide().map((page) => ({
      title: page.title,
      note: say.palette.help,
      path: `/help/${page.id}`,
      words: page.words,
    })),
    ...(moves.data?.moves ?? []).map((m) => ({
      title: m.unicode,
      note: say.palette.moveTo(m.to, m.stage),
      path: `/moves/${m.id}`,
    })),
    ...held.map((n) => ({ title: n.unicode, note: n.account, path: `/names/${n.name}` })),
  ]);
  const found = $derived(
    all
      .filter((f) =>
        `${f.title} ${f.note} ${f.words ?? ''}`.toLowerCase().includes(text.trim().toLowerCase()),
      )
      .slice(0, 12),
  );

  $effect(() => {
    if (open) {
      text = '';
      at = 0;
      dialog?.showModal();
    } else dialog?.close();
  });

  function go(f: Found | undefined) {
    if (!f) return;
    open = false;
    void navigate(f.path as '/');
  }
  function onkeydown(e: KeyboardEvent) {
    if (e.key === 'ArrowDown') at = Math.min(at + 1, found.length - 1);
    else if (e.key === 'ArrowUp') at = Math.max(at - 1, 0);
    else if (e.key === 'Enter') go(found[at]);
    else return;
    e.preventDefault();
  }
</script>

<dialog
  class="over"
  bind:this={dialog}
  aria-label={say.palette.search}
  onclose={() => (open = false)}
>
  <input
    type="text"
    role="combobox"
    aria-expanded="true"
    aria-controls="found"
    aria-activedescendant={found[at] ? `found-${at}` : undefined}
    aria-label={say.palette.searchAll}
    placeholder={say.palette.searchHint}
    bind:value={text}
    oninput={() => (at = 0)}
    {onkeydown}
  />
  <ul id="found" role="listbox" aria-label={say.palette.found}>
    {#each found as f, i (f.path)}
      <!-- svelte-ignore a11y_click_events_have_key_events (the keys are those of the field above) -->
      <li id="found-{i}" role="option" aria-selected={i === at} onclick={() => go(f)}>
        <span class="mono">{f.title}</span> <span class="muted">{f.note}</span>
      </li>
    {/each}
  </ul>
  {#if !found.length}<p class="muted">{say.palette.nothingHolds(text)}</p>{/if}
</dialog>

<style>
  dialog {
    width: min(36rem, 92vw);
  }
  input {
    width: 100%;
    background: var(--sheet);
    border: 1px solid var(--line);
    border-radius: var(--radius);
    padding: 8px 8px;
    color: var(--ink);
  }
  li {
    display: flex;
    justify-content: space-between;
    gap: 16px;
    text-align: left;
    padding: 4px 8px;
    cursor: pointer;
    overflow-wrap: anywhere;
  }
  li[aria-selected='true'] {
    background: var(--loden-soft);
  }
  p {
    padding: 8px;
  }
</style>
