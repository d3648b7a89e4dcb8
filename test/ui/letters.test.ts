import { afterEach, expect, it, vi } from 'vitest';
import { letters } from '../../ui/src/lib/letters';

afterEach(() => vi.useRealTimers());

it('waits for our letters on a quick line, never for long, and not at all on a slow one', async () => {
  vi.useFakeTimers();
  let come = () => undefined as void;
  const load = vi.fn(() => new Promise<FontFace[]>((done) => (come = () => done([]))));
  Object.defineProperty(document, 'fonts', { configurable: true, value: { load } });
  const seen: string[] = [];
  void letters(100).then(() => seen.push('quick'));
  void letters(5000).then(() => seen.push('slow'));
  await vi.advanceTimersByTimeAsync(799);
  expect(seen).toEqual(['slow']);
  await vi.advanceTimersByTimeAsync(1);
  expect(seen).toEqual(['slow', 'quick']);
  expect(load).toHaveBeenCalledTimes(2);
  come();
});
