<script lang="ts">
  import { api, ask, type Event } from '../../lib/api';
  import Sentence from '../../parts/Sentence.svelte';
  import More from '../../parts/More.svelte';
  import When from '../../parts/When.svelte';
  import { say } from '../../lib/say';
  import { p } from '../../router';

  /** Newest first; what goes on behind is asked for a page at a time. */
  let {
    events,
    goesOn = false,
    of = {},
  }: { events: Event[]; goesOn?: boolean; of?: { move?: number; name?: string } } = $props();
  let earlier = $state<Event[]>([]);
  let next = $state<number | null>();
  let busy = $state(false);
  const known = $derived(new Set(events.map((e) => e.seq)));
  const lines = $derived([...events, ...earlier.filter((e) => !known.has(e.seq))]);

  async function more() {
    busy = true;
    try {
      const before = next ?? events.at(-1)?.seq;
      const page = await ask(api.GET('/api/journal', { params: { query: { ...of, before } } }));
      earlier = [...earlier, ...page.lines];
      next = page.next;
    } finally {
      busy = false;
    }
  }
  const TYPES: Record<string, string> = {
    planned: 'started',
    intended: say.journal.aboutTo,
    done: 'proven',
    waiting: 'looked',
    problem: 'refused',
    mail: 'mail',
    approved: 'approved',
    'called-off': say.journal.calledOff,
    refused: 'ended',
    settled: 'settled',
    reopened: 'again',
    'taken-in': say.journal.takenIn,
    'names-imported': say.journal.imported,
    'import-undone': say.journal.undone,
    'letter-answered': say.journal.answered,
  };
</script>

<ol class="columned [--cols:8.6rem_5rem_minmax(0,1fr)] [--narrow:1fr_auto]">
  {#each lines as e (e.seq)}
    <li class={e.type}>
      <span class="at"><When at={e.at} bare /></span>
      <span class="type">{TYPES[e.type] ?? e.type}</span>
      <div class="max-[800px]:col-span-full">
        <p><Sentence text={e.says} /></p>
        <p class="muted note flex flex-wrap gap-x-2">
          {#if e.evidence.source}<span>{say.journal.by(e.evidence.source)}</span>{/if}
          {#if e.evidence.ref}<span class="mono">{e.evidence.ref}</span>{/if}
          {#if e.by !== 'desk'}<span>{say.journal.byWordOf(e.by)}</span>{/if}
          {#if e.import}<a href={p('/names/import/:id', { params: { id: String(e.import) } })}
              >{say.journal.seeImport}</a
            >{/if}
          {#if e.key}<span>{say.journal.key} <span class="mono">{e.key}</span></span>{/if}
        </p>
      </div>
    </li>
  {/each}
</ol>
<More there={next === undefined ? goesOn : next !== null} {busy} {more} />

<style>
  .type {
    color: var(--muted);
  }
  :is(.problem, .refused) .type {
    color: var(--madder);
  }
  :is(.done, .settled) .type {
    color: var(--loden);
  }
</style>
