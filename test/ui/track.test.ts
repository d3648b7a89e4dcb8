import { describe, expect, it } from 'vitest';
import { lay } from '../../ui/src/lib/track';
import { minor } from '../../ui/src/lib/words';
import { NOW, block, step } from './support/moves';

// Records are carried first; the lock comes off after both; two checks stand beside each other.
const steps = [
  step('fetch', [], 'records', 'done'),
  step('compare', ['fetch'], 'records', 'under-way'),
  step('unlock', ['compare'], 'registration'),
  step('code', ['unlock'], 'registration'),
  step('watch', ['unlock'], 'registration'),
];
const blocks = [
  block('fetch', -900, [60, 60, 60], true),
  block('compare', -600, [300, 900, 3600]),
  block('unlock', 300, [60, 900, 3600]),
  block('code', 1200, [0, 60, 86_400]),
  block('watch', 1200, [60, 60, 60]),
];

describe('the track', () => {
  const { placed, ties, wide } = lay(steps, blocks, NOW);
  const of = (id: string) => placed.find((p) => p.step.id === id)!;

  it('begins a block where the last of its needs ends', () => {
    for (const p of placed)
      for (const need of p.step.needs) expect(p.x).toBeGreaterThanOrEqual(of(need).x + of(need).width);
    expect(of('fetch').x).toBe(0);
    expect(wide).toBe(Math.max(...placed.map((p) => p.x + p.width)));
  });

  it('lets nothing overlap on one lane, and keeps the rails apart', () => {
    for (const a of placed)
      for (const b of placed)
        if (a !== b && a.lane === b.lane) expect(a.x >= b.x + b.width || b.x >= a.x + a.width).toBe(true);
    expect([of('fetch').lane, of('unlock').lane, of('code').lane, of('watch').lane]).toEqual([2, 0, 0, 1]);
  });

  it('grows with the range, least to most', () => {
    for (const p of placed)
      expect([p.least, p.usual, p.width]).toEqual([p.least, p.usual, p.width].sort((a, b) => a - b));
    expect(of('code').width).toBeGreaterThan(of('watch').width);
  });

  it('ties the rails where one waits for the other', () => {
    expect(ties).toHaveLength(2);
    expect(ties[0]).toEqual({
      x1: of('compare').x + of('compare').width,
      lane1: 2,
      x2: of('unlock').x,
      lane2: 0,
    });
  });

  it('says how far an active block has come', () => {
    expect(of('compare').reached).toBeGreaterThan(0);
    expect(of('compare').reached).toBeLessThanOrEqual(of('compare').width);
    expect([of('fetch').reached, of('unlock').reached]).toEqual([null, null]);
  });

  it('leaves out a step without a block', () => {
    expect(lay([...steps, step('more', [], 'records')], blocks, NOW).placed).toHaveLength(5);
    expect(lay([], [], NOW)).toEqual({ placed: [], ties: [], wide: 0 });
  });
});

describe('amounts that somebody types', () => {
  it.each([
    ['9.02', 902],
    ['9,02', 902],
    ['15', 1500],
    ['0.1', 10],
    ['', undefined],
    ['  ', undefined],
  ])('“%s” is %s', (text, value) => expect(minor(text)).toBe(value));
});
