import type { QueryClient } from '@tanstack/svelte-query';
import { api, ask } from './api';
import { clock } from './clock.svelte';

class Line {
  /** False while the server's event stream is cut. */
  open = $state(true);
}
export const line = new Line();

/** Reads the clock now. */
export async function readClock() {
  const read = await ask(api.GET('/api/clock'));
  clock.set(read.now, read.runs);
}

/**
 * Follows the server's events: every change makes what is shown be asked for again. A page that is left lets go of its
 * stream at once, because a browser keeps only a few connections to one server. Returns a stop.
 */
export function follow(client: QueryClient): () => void {
  let source: EventSource | undefined;

  function open() {
    source?.close();
    source = new EventSource('/api/events');
    source.addEventListener('changed', () => {
      void readClock().catch(() => undefined);
      void client.invalidateQueries();
    });
    source.onopen = () => {
      line.open = true;
      void client.invalidateQueries();
    };
    source.onerror = () => (line.open = false);
  }
  const leave = () => source?.close();
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
