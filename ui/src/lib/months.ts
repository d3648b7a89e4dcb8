/**
 * Where months begin on a strip of time, as shares of its length, with their short names; a January
 * is its year.
 */
export function monthsWithin(from: string, days: number): { share: number; label: string }[] {
  const start = Date.parse(from);
  const length = days * 86_400_000;
  const first = new Date(start);
  const out: { share: number; label: string }[] = [];
  for (let i = 1; ; i++) {
    const month = new Date(first.getFullYear(), first.getMonth() + i, 1);
    const share = (month.getTime() - start) / length;
    if (share >= 1) return out;
    const label = month.getMonth()
      ? month.toLocaleString('en', { month: 'short' })
      : String(month.getFullYear());
    out.push({ share, label });
  }
}

const FAINT = 'linear-gradient(var(--faint), var(--faint))';

/** The same as the lines of a background, so that every row of a list shows them. */
export const monthLines = (months: { share: number }[]) =>
  months
    .map(({ share }) => `${FAINT} ${(share * 100).toFixed(2)}% 0 / 1px 100% no-repeat`)
    .join(', ');
