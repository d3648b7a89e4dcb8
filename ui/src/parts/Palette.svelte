<script lang="ts">
  import { SvelteSet } from 'svelte/reactivity';
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../lib/api';
  import { isWorking, stretch } from '../lib/list';
  import { navigate } from '../router';
  import { hostOf, search, type Hit } from '../lib/search';
  import { say } from '../lib/say';

  let { open = $bindable(false) }: { open?: boolean } = $props();
  let dialog = $state<HTMLDialogElement>();
  let text = $state('');
  let at = $state(0);
  const names = createQuery(() => ({
    queryKey: ['names', 'search', text],
    queryFn: () => stretch({ q: hostOf(text) || undefined, sort: 'name' }, 0),
    placeholderData: (before) => before,
    enabled: open,
  }));
  const held = $derived(names.data && !isWorking(names.data) ? names.data.names : []);
  const moves = createQuery(() => ({
    queryKey: ['moves'],
    queryFn: () => ask(api.GET('/api/moves')),
    enabled: open,
  }));
  const whole = new SvelteSet<string>();
  const groups = $derived(
    search(
      text,
      {
        moves: (moves.data?.moves ?? []).map((m) => ({
          title: m.unicode,
          note: say.palette.moveTo(m.to, m.stage),
          path: `/moves/${m.id}`,
          also: m.name,
        })),
        names: held.map((n) => ({
          ...{ title: n.unicode, note: n.account, path: `/names/${n.name}`, also: n.name },
          answers: names.isPlaceholderData ? undefined : text,
        })),
      },
      whole,
    ),
  );
  const found = $derived(groups.flatMap((g) => g.hits));

  $effect(() => {
    if (open) {
      text = '';
      at = 0;
      whole.clear();
      dialog?.showModal();
    } else dialog?.close();
  });

  function go(f: Hit | undefined) {
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
  class="over w-[min(36rem,92vw)]"
  bind:this={dialog}
  aria-label={say.palette.search}
  onclose={() => (open = false)}
>
  <input
    class="w-full bg-sheet border border-line rounded-(--radius) p-2 text-ink"
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
  <div id="found" role="listbox" aria-label={say.palette.found}>
    {#each groups as g (g.title)}
      <div role="group" aria-label={g.title}>
        <p class="note muted" aria-hidden="true">{g.title}</p>
        {#each g.hits as f (f.path + f.title)}
          {@const i = found.indexOf(f)}
          <!-- svelte-ignore a11y_click_events_have_key_events (the keys are those of the field above) -->
          <div
            class="aria-selected:bg-loden-soft"
            id="found-{i}"
            role="option"
            tabindex="-1"
            aria-selected={i === at}
            onclick={() => go(f)}
          >
            <span>{f.title}</span> <span class="muted">{f.note}</span>
          </div>
        {/each}
      </div>
    {/each}
  </div>
  {#each groups.filter((g) => g.left) as g (g.title)}
    <button class="link" onclick={() => whole.add(g.title)}
      >{say.palette.more(g.left, g.title)}</button
    >
  {/each}
  {#if !found.length}<p class="muted">{say.palette.nothingHolds(text)}</p>{/if}
</dialog>

<style>
  #found {
    max-height: 60vh;
    overflow-y: auto;
  }
  [role='option'] {
    display: flex;
    justify-content: space-between;
    gap: 16px;
    text-align: left;
    padding: 4px 8px;
    cursor: pointer;
    overflow-wrap: anywhere;
  }
  p,
  .link {
    padding: 8px;
  }
</style>
