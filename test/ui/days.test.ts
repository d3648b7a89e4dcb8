import { afterEach, describe, expect, it } from 'vitest';
import { between, dayOf, later, morning } from '../../ui/src/lib/days';
import { day } from '../../ui/src/lib/words';

// Zones west and east of Greenwich; the days lie on both sides of a change of clocks in each (tz
// database).
const ZONES: [zone: string, before: string, after: string, offsets: [string, string]][] = [
  ['America/Los_Angeles', '2027-03-13', '2027-03-15', ['16', '15']],
  ['Europe/Berlin', '2027-03-27', '2027-03-29', ['07', '06']],
  ['Pacific/Auckland', '2027-04-03', '2027-04-05', ['19', '20']],
];
const here = process.env.TZ;
afterEach(() => {
  process.env.TZ = here;
});

describe.each(ZONES)('days in %s', (zone, before, after, [first, second]) => {
  it('are found again from their morning, on both sides of a change of clocks', () => {
    process.env.TZ = zone;
    expect([morning(before).slice(11, 13), morning(after).slice(11, 13)]).toEqual([first, second]);
    for (const d of [before, after]) expect(dayOf(morning(d))).toBe(d);
    expect(later(before, 2)).toBe(after);
    expect(between(before, after)).toBe(2);
    for (let n = 0; n < 400; n++) expect(between(before, dayOf(morning(later(before, n))))).toBe(n);
  });

  it('that are told alone are the same for every reader', () => {
    process.env.TZ = zone;
    expect(day('2027-09-01T00:00:00Z')).toBe('1 Sep 2027');
  });
});
