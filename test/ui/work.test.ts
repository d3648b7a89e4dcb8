import { afterEach, describe, expect, it, vi } from 'vitest';
import { CONNECTION, PRICES, TERMS } from '../../ui/src/views/accounts/fields';
import { whole } from '../../ui/src/lib/work';

type Rows = { rows: string[] };
const working = (done: number) => ({ working: { done, of: 3 }, job: 'j1' });

describe('work that takes longer', () => {
  afterEach(() => void vi.useRealTimers());

  it('is there at once where it was quick', async () => {
    const again = vi.fn();
    const far = vi.fn();
    expect(await whole<Rows>({ rows: ['a'] }, again, far)).toEqual({
      rows: ['a'],
    });
    expect(again).not.toHaveBeenCalled();
    expect(far.mock.calls).toEqual([[undefined]]);
  });

  it('is asked for until its result is there, and says how far it is', async () => {
    vi.useFakeTimers();
    const answers = [working(2), { rows: ['a', 'b'] }];
    const again = vi.fn(async () => answers.shift()!);
    const far: unknown[] = [];
    const result = whole<Rows>(working(1), again, (f) => far.push(f?.done));
    await vi.runAllTimersAsync();
    expect(await result).toEqual({ rows: ['a', 'b'] });
    expect(again.mock.calls).toEqual([['j1'], ['j1']]);
    expect(far).toEqual([1, 2, undefined]);
  });

  it('ends where asking fails', async () => {
    vi.useFakeTimers();
    const result = whole<Rows>(
      working(1),
      () => Promise.reject(new Error('away')),
      () => undefined,
    );
    const said = expect(result).rejects.toThrow('away');
    await vi.runAllTimersAsync();
    await said;
  });
});

describe('the fields of an account', () => {
  const all = [...CONNECTION, ...PRICES, ...TERMS];

  it('have keys and labels of their own within their part', () => {
    expect(new Set(all.map((f) => f.key)).size).toBe(all.length);
    for (const part of [CONNECTION, PRICES, TERMS])
      expect(new Set(part.map((f) => f.label)).size).toBe(part.length);
    for (const f of all) expect(f.label).toMatch(/^[A-Z]/);
  });

  it('seal what is secret and keep patterns that a browser takes', () => {
    expect(all.filter((f) => f.type === 'password').map((f) => f.key)).toEqual(['password']);
    for (const f of all)
      if (f.pattern) expect(() => new RegExp(`^(?:${f.pattern})$`, 'v')).not.toThrow();
  });
});
