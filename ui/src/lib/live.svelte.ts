import type { QueryClient } from '@tanstack/svelte-query';
import { api, ask } from './api';
import { at, seen } from './base';
import { clock } from './clock.svelte';

class Line {
  /** False while the server's event stream is cut. */
  open = $state(true);
  /** When something changed that a plan, a batch or a draft may rest on (milliseconds). */
  changed = $state(0);
  /** What hinders the desk as a whole, in a sentence. */
  trouble = $state<string | null>(null);
}
export const line = new Line();

/**
 * A stream that was refused (a restart, a proxy's 502, too many pages) is asked for again, later
 * each time.
 */
const REOPEN = [1000, 2000, 5000, 10_000, 30_000];

/** Reads the clock now. */
export async function readClock() {
  const read = await ask(api.GET('/api/clock'));
  clock.set(read.now, read.runs);
  line.trouble = read.trouble;
}

/** Queries by what changes them; each is the first word of a key. */
export const FOLLOWS = {
  desk: ['desk'],
  batches: ['batches'],
  moves: ['moves', 'move', 'here', 'batches', 'codes', 'status', 'records', 'handover'],
  hands: ['hands'],
  names: ['names', 'name', 'prices', 'import'],
  post: ['post'],
  records: ['records', 'handover'],
  codes: ['codes'],
  accounts: ['accounts', 'settings', 'status', 'ready', 'prices'],
  people: ['people', 'me'],
  rulebook: ['rulebook'],
} as const satisfies Record<string, readonly string[]>;
export type Topic = keyof typeof FOLLOWS;
/** Follows every change: what comes next may have moved. */
export const ALWAYS = ['practice'];
/** Worked out for a person who asked for it; never again by themselves. */
export const DRAFTS = ['proposal', 'review', 'letter'];
export const draft = {
  staleTime: Infinity,
  gcTime: 0,
  refetchOnWindowFocus: false,
  refetchOnReconnect: false,
  retry: false,
} as const;

/** Asks again for what is shown of these topics; where none is told, for all but drafts. */
export function refresh(client: QueryClient, ...topics: Topic[]) {
  if (topics.length) return again(client, topics);

  return client.invalidateQueries({ predicate: (q) => !DRAFTS.includes(String(q.queryKey[0])) });
}

function again(client: QueryClient, topics: Topic[]) {
  const roots: string[] = [...ALWAYS, ...topics.flatMap((t) => FOLLOWS[t])];
  return client.invalidateQueries({ predicate: (q) => roots.includes(String(q.queryKey[0])) });
}

const known = (topic: string): topic is Topic => topic in FOLLOWS;

function changed(client: QueryClient, topics: string[]) {
  if (topics.some((t) => ['all', 'moves', 'names', 'accounts', 'rulebook'].includes(t)))
    line.changed = Date.now();
  if (topics.includes('all')) return void refresh(client);

  void again(client, topics.filter(known));
}

/**
 * Follows the server's events: every change names its topics, and what is shown of them is asked
 * for again. A page that is left lets go of its stream at once, because a browser keeps only a few
 * connections to one server. Returns a stop.
 */
export function follow(client: QueryClient): () => void {
  let source: EventSource | undefined;
  let later: ReturnType<typeof setTimeout> | undefined;
  let refused = 0;
  // The first stream tells what came after the page; whoever was away asks for everything again.
  let missed = seen === undefined;

  function open() {
    leave();
    source = new EventSource(at('/api/events') + (missed ? '' : `?since=${seen}`));
    source.addEventListener('changed', (e) => {
      void readClock().catch(() => undefined);
      changed(client, String((e as MessageEvent).data).split(' '));
    });
    source.onopen = () => {
      line.open = true;
      refused = 0;
      if (missed) void refresh(client);
      missed = true;
    };
    source.onerror = () => {
      line.open = false;
      void readClock().catch(() => undefined); // shows the sign-in where nobody is signed in any more
      if (source?.readyState === EventSource.CLOSED)
        later = setTimeout(open, REOPEN[Math.min(refused++, 4)]);
    };
  }
  const leave = () => {
    clearTimeout(later);
    source?.close();
  };
  const back = (e: PageTransitionEvent) => e.persisted && open();

  open();
  window.addEventListener('pagehide', leave);
  window.addEventListener('pageshow', back);
  const ticking = setInterval(() => clock.tick(), 1000);
  void readClock().catch(() => undefined);
  return () => {
    leave();
    window.removeEventListener('pagehide', leave);
    window.removeEventListener('pageshow', back);
    clearInterval(ticking);
  };
}
