import { describe, expect, it } from 'vitest';
import { lay, nameOf, runs } from '../../ui/src/lib/track';
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

const DAY = 86_400;
describe('the track', () => {
  const { placed, ties, wide, now } = lay(steps, blocks, NOW);
  const of = (id: string) => placed.find((p) => p.step.id === id)!;

  it('begins a block where the last of its needs ends, and shows each wide enough for its number', () => {
    for (const p of placed) {
      for (const need of p.step.needs)
        expect(p.x).toBeGreaterThanOrEqual(of(need).x + of(need).width - 0.01);
      expect(p.width).toBeGreaterThan(19.9);
    }
    expect(of('fetch').x).toBe(0);
    expect(wide).toBeLessThanOrEqual(900);
  });

  it('lets nothing overlap on one lane, and keeps the rails apart', () => {
    for (const a of placed)
      for (const b of placed)
        if (a !== b && a.lane === b.lane)
          expect(a.x >= b.x + b.width - 0.5 || b.x >= a.x + a.width - 0.5).toBe(true);
    expect([of('fetch').lane, of('unlock').lane, of('code').lane, of('watch').lane]).toEqual([
      2, 0, 0, 1,
    ]);
  });

  it('has the present instant within the block that is under way', () => {
    expect(now).toBeGreaterThanOrEqual(of('compare').x);
    expect(now).toBeLessThanOrEqual(of('compare').x + of('compare').width);
  });

  it('has what is over behind the present instant, however wide it is drawn', () => {
    const over = [block('a', -900, [900, 900, 900], true), block('b', 0, [0, 0, 0], true)];
    const settled = lay([step('a', []), step('b', ['a'])], over, NOW);
    for (const p of settled.placed) expect(p.x + p.width).toBeLessThanOrEqual(settled.now + 0.01);
  });

  it('brackets what is not sure, and only that', () => {
    expect(of('fetch').range).toBeNull();
    expect(of('watch').range).toBeNull();
    const [least, most] = of('code').range!;
    expect(least).toBeLessThan(most);
  });

  it('ties the rails where one waits for the other', () => {
    expect(ties).toHaveLength(2);
    expect(ties[0]!.x1).toBeCloseTo(of('compare').x + of('compare').width);
    expect([ties[0]!.lane1, ties[0]!.x2, ties[0]!.lane2]).toEqual([2, of('unlock').x, 0]);
  });

  it('is linear by day, and folds a long wait', () => {
    const three = [step('a', []), step('b', ['a']), step('c', ['b'])];
    const long = (days: number) =>
      lay(
        three,
        [
          block('a', 0, [DAY, DAY, DAY]),
          block('b', DAY, [days * DAY, days * DAY, days * DAY]),
          block('c', (1 + days) * DAY, [DAY / 2, DAY / 2, DAY / 2]),
        ],
        NOW,
      );
    const short = long(1);
    expect(short.folds).toEqual([]);
    expect(short.placed[0]!.width / short.placed[2]!.width).toBeCloseTo(2, 1);
    const folded = long(9);
    expect(folded.folds).toHaveLength(1);
    expect(folded.placed[1]!.width).toBeLessThan(2 * folded.placed[0]!.width);
    expect(folded.days.length).toBeLessThan(6);
    expect(short.days.length).toBeGreaterThan(1);
  });

  it('draws neighbours of one kind as one, named as far as there is room', () => {
    const over = ['a', 'b', 'c'].map((id, i) => block(id, i * 60 - 900, [60, 60, 60], true));
    const done = [step('a', []), step('b', ['a']), step('c', ['b'])].map((s) => ({
      ...s,
      rail: 'registration' as const,
      short: `${s.id}${s.id} done`,
    }));
    const next = { ...step('d', ['c'], 'registration', 'under-way'), short: 'released' };
    const laid = lay([...done, next], [...over, block('d', 0, [60, 900, 3600])], NOW);
    const drawn = runs(laid);
    expect(drawn.map((r) => r.steps.length)).toEqual([3, 1]);
    expect(nameOf(drawn[0]!)).toBe('aa done · bb done · cc done');
    expect(nameOf({ ...drawn[0]!, width: 150 })).toBe('… bb done · cc done');
    expect(nameOf({ ...drawn[0]!, width: 60 })).toBe('cc done');
    expect(nameOf({ ...drawn[0]!, width: 20 })).toBe('');
    expect(nameOf(drawn[1]!)).toBe('released');
  });

  it('leaves out a step without a block', () => {
    expect(lay([...steps, step('more', [], 'records')], blocks, NOW).placed).toHaveLength(5);
    expect(lay([], [], NOW).placed).toEqual([]);
  });
});
