import { describe, expect, it } from 'vitest';
import { day, money, parts, span, stamp, when } from '../../ui/src/lib/words';

// The zone is UTC here (see bin/test), so that instants are worded the same everywhere.
const NOW = Date.parse('2027-03-01T08:00:00Z');
const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;

describe('lengths of time', () => {
  it.each([
    [0, 'less than a minute'],
    [29_000, 'less than a minute'],
    [31_000, '1 min'],
    [59 * MINUTE, '59 min'],
    [HOUR, '1 h'],
    [2 * HOUR + 10 * MINUTE, '2 h 10 min'],
    [DAY, '1 day'],
    [DAY + 3 * HOUR + 40 * MINUTE, '1 day 3 h'],
    [13 * DAY + 23 * HOUR, '13 days 23 h'],
    [14 * DAY + 5 * HOUR, '14 days'],
    [-5 * HOUR, 'less than a minute'],
  ])('%i ms is “%s”', (ms, words) => expect(span(ms)).toBe(words));
});

describe('instants', () => {
  it.each([
    ['2027-03-01T08:00:20Z', 'Mon 1 Mar, 08:00 · now'],
    ['2027-03-01T10:10:00Z', 'Mon 1 Mar, 10:10 · in 2 h 10 min'],
    ['2027-02-28T07:00:00Z', 'Sun 28 Feb, 07:00 · 1 day 1 h ago'],
    ['2027-03-09T08:00:00Z', 'Tue 9 Mar, 08:00 · in 8 days'],
    ['2026-12-01T08:00:00Z', 'Tue 1 Dec 2026, 08:00 · 90 days ago'],
  ])('%s is worded “%s”', (iso, words) => expect(when(iso, NOW)).toBe(words));

  it('says weekday and date, and the year where it is another one', () => {
    expect(stamp('2027-03-06T09:05:00Z', NOW)).toBe('Sat 6 Mar, 09:05');
    expect(stamp('2028-03-07T09:05:00Z', NOW)).toBe('Tue 7 Mar 2028, 09:05');
    expect(day('2028-02-29T00:00:00Z')).toBe('29 Feb 2028');
  });
});

describe('amounts and sentences', () => {
  it.each([
    [902, 'EUR', '9.02 EUR'],
    [0, 'GBP', '0.00 GBP'],
    [-598, 'EUR', '-5.98 EUR'],
    [59800, 'EUR', '598.00 EUR'],
    [-123_456_789, 'EUR', '-1,234,567.89 EUR'],
    [9_000_000, 'JPY', '9,000,000 JPY'],
  ])('%i %s is “%s”', (minor, currency, words) => expect(money({ minor, currency })).toBe(words));

  it('finds the instants in a sentence', () => {
    expect(parts('From <2027-03-01T08:00:00Z> to <2027-04-01T08:00:00Z>.')).toEqual([
      { text: 'From ' },
      { at: '2027-03-01T08:00:00Z' },
      { text: ' to ' },
      { at: '2027-04-01T08:00:00Z' },
      { text: '.' },
    ]);
    expect(parts('No <b>instant</b>.')).toEqual([{ text: 'No <b>instant</b>.' }]);
    expect(parts('')).toEqual([]);
  });
});
