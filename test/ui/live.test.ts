import { QueryClient } from '@tanstack/svelte-query';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';

/** An event stream whose server can be taken away. */
class Stream {
  static CLOSED = 2;
  static all: Stream[] = [];
  readyState = 0;
  onopen?: () => void;
  onerror?: () => void;
  heard: Record<string, (e: { data: string }) => void> = {};
  constructor(readonly url: string) {
    Stream.all.push(this);
  }
  addEventListener(type: string, act: (e: { data: string }) => void) {
    this.heard[type] = act;
  }
  close() {
    this.readyState = Stream.CLOSED;
  }
  /** A 502, a restart or a refused stream: browsers close it for good. */
  refuse() {
    this.readyState = Stream.CLOSED;
    this.onerror?.();
  }
}
const last = () => Stream.all[Stream.all.length - 1]!;

beforeEach(() => {
  vi.useFakeTimers();
  Stream.all = [];
  vi.stubGlobal('EventSource', Stream);
  vi.stubGlobal('fetch', () => Promise.resolve(new Response('bad gateway', { status: 502 })));
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

test('a stream that was refused is asked for again, later each time, and what was missed is asked for', async () => {
  const { follow, line } = await import('../../ui/src/lib/live.svelte');
  const client = new QueryClient();
  const asked = vi.spyOn(client, 'invalidateQueries').mockResolvedValue();
  const stop = follow(client);
  expect(Stream.all.length).toBe(1);
  last().onopen?.();
  expect(line.open).toBe(true);
  for (const [wait, count] of [
    [1000, 2],
    [2000, 3],
    [5000, 4],
    [10_000, 5],
    [30_000, 6],
    [30_000, 7],
  ]) {
    last().refuse();
    expect(line.open).toBe(false);
    vi.advanceTimersByTime(wait! - 1);
    expect(Stream.all.length).toBe(count! - 1);
    vi.advanceTimersByTime(1);
    expect(Stream.all.length).toBe(count);
  }
  asked.mockClear();
  last().onopen?.();
  expect(line.open).toBe(true);
  expect(asked).toHaveBeenCalledTimes(1);
  last().refuse();
  vi.advanceTimersByTime(1000);
  expect(Stream.all.length).toBe(8); // it begins with a short wait anew
  stop();
  vi.advanceTimersByTime(60_000);
  expect(Stream.all.length).toBe(8);
});

test('what the page knows already is not asked for again by its first stream', async () => {
  const meta = document.createElement('meta');
  meta.name = 'steady-move-seen';
  meta.content = '41';
  document.head.append(meta);
  vi.resetModules();
  const { follow } = await import('../../ui/src/lib/live.svelte');
  const client = new QueryClient();
  const asked = vi.spyOn(client, 'invalidateQueries').mockResolvedValue();
  const stop = follow(client);
  expect(last().url).toBe('/api/events?since=41');
  last().onopen?.();
  expect(asked).not.toHaveBeenCalled();
  last().refuse();
  vi.advanceTimersByTime(1000);
  expect(last().url).toBe('/api/events');
  last().onopen?.();
  expect(asked).toHaveBeenCalledTimes(1);
  stop();
  meta.remove();
  vi.resetModules();
});

test('what changed is asked for by its topics alone', async () => {
  const { follow } = await import('../../ui/src/lib/live.svelte');
  const client = new QueryClient();
  for (const key of ['post', 'names', 'review']) client.setQueryData([key], 1);
  const stop = follow(client);
  last().heard.changed?.({ data: 'post' });
  const stale = (key: string) => client.getQueryState([key])?.isInvalidated;
  expect([stale('post'), stale('names'), stale('review')]).toEqual([true, false, false]);
  last().heard.changed?.({ data: 'all' });
  expect([stale('names'), stale('review')]).toEqual([true, false]);
  stop();
});
