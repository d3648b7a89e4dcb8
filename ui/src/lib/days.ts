/**
 * Calendar days of the reader’s own zone, as YYYY-MM-DD; a change of clocks makes none of them
 * longer.
 */

const two = (n: number) => String(n).padStart(2, '0');
const text = (at: Date) => `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;
const parts = (day: string) => day.split('-').map(Number) as [number, number, number];

/** The day of an instant here. */
export const dayOf = (at: number | string) => text(new Date(at));

/** Eight in the morning here on a day: when a move that starts “on that day” is taken to start. */
export function morning(day: string): string {
  const [y, m, d] = parts(day);
  return new Date(y, m - 1, d, 8).toISOString().replace('.000', '');
}

/** The last second of a day here: what happens “by the end of” it. */
export function endOf(day: string): string {
  const [y, m, d] = parts(day);
  return new Date(y, m - 1, d, 23, 59, 59).toISOString().replace('.000', '');
}

/** A day so many days later. */
export function later(day: string, days: number): string {
  const [y, m, d] = parts(day);
  return text(new Date(y, m - 1, d + days, 12));
}

/** How many days lie between two. */
export function between(from: string, to: string): number {
  const [a, b] = [from, to].map((day) => {
    const [y, m, d] = parts(day);
    return Date.UTC(y, m - 1, d);
  }) as [number, number];
  return Math.round((b - a) / 86_400_000);
}

/** A day alone: the sources tell it as midnight UTC, and it is the same day for every reader. */
export const dayAlone = (iso: string) => /T00:00:00(\.0+)?Z$/.test(iso);
