import { minor } from '../../lib/reading';
import { digits } from '../../lib/words';
import type { Schemas } from '../../lib/api';

type Row = Schemas['PriceRow'];
/** The columns of the table by suffix, in the order in which they are pasted. */
export const COLUMNS = [
  'register',
  'renew',
  'renew_later',
  'transfer',
  'promotion',
  'per_transaction',
  'privacy',
] as const;

/**
 * Lines of a table (semicolons, commas or tabs between) as rows by suffix; or the line that is not
 * understood.
 */
export function read(
  text: string,
  currency: string,
): { rows: Record<string, Row> } | { wrong: string } {
  const rows: Record<string, Row> = {};
  for (const line of text.split(/\r?\n/).filter((l) => l.trim())) {
    const sign = line.includes(';') ? ';' : line.includes('\t') ? '\t' : ',';
    const [suffix = '', ...cells] = line.split(sign).map((c) => c.trim().replace(/^"(.*)"$/, '$1'));
    if (/^suffix$/i.test(suffix)) continue;
    const name = suffix.replace(/^\./, '').toLowerCase();
    const values = cells.map((c) => (c === '' ? null : (minor(c, currency) ?? NaN)));
    const fine =
      /^[a-z0-9][a-z0-9.-]*$/.test(name) && values.length && values.length <= COLUMNS.length;
    if (!fine || values.some((v) => Number.isNaN(v))) return { wrong: line };
    const row = Object.fromEntries(
      COLUMNS.map((c, n) => [c, values[n] ?? null]).filter(([, v]) => v !== null),
    );
    rows[name] = row as Row;
  }
  return { rows };
}

/** The same table as text, for changing it in place. */
export function write(rows: Record<string, Row> | null | undefined, currency: string): string {
  const places = digits(currency);
  const cell = (value: number | null | undefined) =>
    value === null || value === undefined ? '' : (value / 10 ** places).toFixed(places);
  return Object.entries(rows ?? {})
    .map(([suffix, row]) =>
      [suffix, ...COLUMNS.map((c) => cell(row[c]))].join('; ').replace(/(; )+$/, ''),
    )
    .join('\n');
}
