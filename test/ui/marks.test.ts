import { render } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import GateMark from '../../ui/src/parts/GateMark.svelte';
import Ruler from '../../ui/src/parts/Ruler.svelte';
import Track from '../../ui/src/views/moves/Track.svelte';
import { minor } from '../../ui/src/lib/reading';
import { digits, money } from '../../ui/src/lib/words';
import { step, block } from './support/moves';

describe('the gate', () => {
  // kind, steps or needs, clears at => words, position of the bar
  const rows: [string, number, string | null, RegExp, string][] = [
    ['ready', 0, null, /^\s*Ready\s*$/, 'M4 11 15 1'],
    ['ready', 2, null, /Ready\s+the desk does 2 things on the way/, 'M4 11 15 1'],
    ['ready', 1, null, /does 1 thing on the way/, 'M4 11 15 1'],
    ['needs', 2, null, /Needs you \(2\)/, 'M4 11 25 4'],
    ['moving', 0, null, /On the move/, 'M4 11 18 3'],
    ['wait', 0, '2027-04-30T08:00:00Z', /Wait until\s+.*Apr/s, 'M4 11H28'],
    ['wait', 0, null, /Wait until it is known/, 'M4 11H28'],
    ['blocked', 0, null, /Blocked/, 'M4 11H28'],
    ['unknown', 0, null, /Not known yet/, 'M4 11H28'],
  ];
  it.each(rows)('%s (%d, %s) always says it in words', (kind, count, clears_at, words, bar) => {
    const gate = { kind, steps: count, needs: count, clears_at, rests_on_less: false } as never;
    const { container } = render(GateMark, { props: { gate } });
    expect(container.textContent).toMatch(words);
    expect(container.querySelector('.bar')?.getAttribute('d')).toBe(bar);
  });
});

describe('the ruler', () => {
  const day = (n: number) => new Date(Date.UTC(2027, 2, 1 + n)).toISOString();
  const row = {
    name: 'a.example',
    latest_safe_start: null,
    expires_at: day(50),
    soft: [[day(40), day(50)]],
    dark: [] as string[][],
  };
  const draw = (windows: string[][], at?: string) =>
    render(Ruler, {
      props: { row: { ...row, windows } as never, from: day(0), days: 100, at },
    }).container;

  it('closes what no window opens', () => {
    const drawn = draw([[day(10), day(60)]]);
    const closed = [...drawn.querySelectorAll('rect.closed')].map((r) => [
      r.getAttribute('x'),
      r.getAttribute('width'),
    ]);
    expect(closed.map((pair) => pair.map(Number))).toEqual([
      [0, 22],
      [132, 88],
    ]);
  });

  it('draws what nobody knows neither open nor closed', () => {
    const { container } = render(Ruler, {
      props: {
        row: { ...row, windows: [], soft: [], dark: [[day(0), day(100)]] } as never,
        from: day(0),
        days: 100,
      },
    });
    expect(container.querySelectorAll('.closed, .open')).toHaveLength(0);
    expect(container.querySelectorAll('.dark-stretch')).toHaveLength(1);
    expect(container.querySelector('svg')?.getAttribute('aria-label')).toMatch(
      /^not known 1 Mar 2027/,
    );
  });

  it('says the same in words', () => {
    const label = draw([[day(10), day(60)]]).querySelector('[aria-label], title')!;
    const words = label.getAttribute('aria-label') ?? label.textContent;
    expect(words).toMatch(/11 Mar 2027/);
    expect(draw([]).querySelector('svg')?.getAttribute('aria-label')).toMatch(/no open window/i);
  });

  it('draws the what-if line where it is asked for, and nowhere else', () => {
    expect(draw([], day(50)).querySelectorAll('.whatif, .line, .at').length).toBe(1);
    expect(draw([]).querySelectorAll('.whatif, .line, .at').length).toBe(0);
  });
});

describe('the track', () => {
  it('says how many steps there are, and draws each', () => {
    const steps = [step('fetch', [], 'records', 'done'), step('unlock', ['fetch'], 'registration')];
    const blocks = [
      block('fetch', -900, [60, 60, 60], true),
      block('unlock', 300, [60, 900, 3600]),
    ];
    const { container } = render(Track, { props: { steps, blocks } });
    expect(container.querySelector('svg')?.getAttribute('aria-label')).toMatch(
      /2 steps on two rails; done: 1/,
    );
    expect(container.textContent).toMatch(/registration/i);
  });
});

describe('money', () => {
  // ISO 4217: minor units of 0, 2 and 3 digits
  it.each([
    ['JPY', 900, '900 JPY', 0],
    ['EUR', 902, '9.02 EUR', 2],
    ['KWD', 1250, '1.250 KWD', 3],
    ['XYZ', 100, '1.00 XYZ', 2],
  ])('%s', (currency, amount, words, places) => {
    expect(digits(currency)).toBe(places);
    expect(money({ minor: amount, currency })).toBe(words);
    expect(minor(words.split(' ')[0]!, currency)).toBe(amount);
  });
});
