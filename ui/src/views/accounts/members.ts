import { minor, readNumber } from '../../lib/reading';
import { digits } from '../../lib/words';

/**
 * How a field of the account's form and a member of the contract stand for each other, both ways:
 * the field's key, the member's name, and what kind of value it is. One more member is one more row
 * here and one field in fields.ts.
 */
interface Member {
  key: string;
  name: string;
  kind: keyof typeof KINDS;
}
type Texts = Record<string, string>;

interface Kind {
  show: (value: unknown, currency: string) => string;
  read: (text: string, currency: string) => unknown;
}
const KINDS = {
  text: { show: (v) => String(v ?? ''), read: (t) => t || null },
  number: { show: (v) => String(v ?? ''), read: (t) => (t ? Number(t) : null) },
  amount: {
    show: (v, currency) =>
      typeof v === 'number' ? (v / 10 ** digits(currency)).toFixed(digits(currency)) : '',
    read: (t, currency) => minor(t, currency) ?? null,
  },
  // per cent in the form, thousandths of it in the contract
  rate: {
    show: (v) => (typeof v === 'number' && v ? String(v / 1000) : ''),
    read: (t) => (t ? Math.round((readNumber(t) ?? NaN) * 1000) : null),
  },
} satisfies Record<string, Kind>;

const same = (kind: Member['kind'], ...names: string[]): Member[] =>
  names.map((name) => ({ key: name, name, kind }));

export const CONNECTION: Member[] = [
  ...same('text', 'host', 'client'),
  { key: 'port', name: 'port', kind: 'number' },
  { key: 'ca', name: 'ca_file', kind: 'text' },
  { key: 'server', name: 'server_name', kind: 'text' },
  { key: 'certificate', name: 'certificate_file', kind: 'text' },
  { key: 'key', name: 'key_file', kind: 'text' },
];

export const PRICES: Member[] = [
  ...same('amount', 'renew', 'transfer', 'register', 'renew_later', 'promotion', 'per_transaction'),
  { key: 'privacy_price', name: 'privacy', kind: 'amount' },
  ...same('text', 'promotion_code', 'promotion_until'),
  { key: 'tax', name: 'tax_milli_percent', kind: 'rate' },
];

/** The texts of the form, by the fields' keys; what is not said is blank. */
export function show(members: Member[], held: object | undefined, currency = ''): Texts {
  const values = (held ?? {}) as Record<string, unknown>;
  const pairs = members.map((m) => [m.key, KINDS[m.kind].show(values[m.name], currency)]);
  return Object.fromEntries(pairs) as Texts;
}

/** The members that the form says; a blank field is null. */
export function read(members: Member[], texts: Texts, currency = ''): Record<string, unknown> {
  return Object.fromEntries(
    members.map((m) => [m.name, KINDS[m.kind].read(texts[m.key] ?? '', currency)]),
  );
}
