import type { Schemas } from '../../lib/api';
import { digits, minor } from '../../lib/words';
import { read, shown, type HabitField } from './habits';
import { read as readTable, write } from './priceTable';

export type Fields = Schemas['AccountFields'];
export type Whole = Schemas['WholeAccount'];
/** What the form holds: texts by the keys of fields.ts and the ids of habits. */
export interface Written {
  kind: 'epp' | 'by_hand';
  f: Record<string, string>;
  /** The habits that are held, of which no field may ask. */
  held?: Record<string, unknown>;
}

const words = (text: string | undefined) => (text ?? '').split(/[\s,]+/).filter(Boolean);
const or = (text: string | undefined) => text || null;
const amount = (value: number | null | undefined, currency: string) =>
  value === null || value === undefined
    ? ''
    : (value / 10 ** digits(currency)).toFixed(digits(currency));

/** A form with nothing written. */
export const blank = (): Written => ({
  kind: 'by_hand',
  f: { port: '700', currency: 'EUR' },
});

/** The form of an account that is held; its secrets are not in it. */
export function written(a: Whole, habits: HabitField[]): Written {
  const { connection: c = {}, habits: h = {}, prices: p } = a;
  const currency = p?.currency ?? 'EUR';
  const f: Record<string, string | null | undefined> = {
    title: a.title,
    registrar: a.registrar,
    host: c.host,
    port: String(c.port ?? 700),
    client: c.client,
    ca: c.ca_file,
    server: c.server_name,
    certificate: c.certificate_file,
    key: c.key_file,
    currency,
    renew: amount(p?.renew, currency),
    transfer: amount(p?.transfer, currency),
    register: amount(p?.register, currency),
    renew_later: amount(p?.renew_later, currency),
    promotion: amount(p?.promotion, currency),
    per_transaction: amount(p?.per_transaction, currency),
    privacy_price: amount(p?.privacy, currency),
    promotion_code: p?.promotion_code,
    promotion_until: p?.promotion_until,
    tax: p?.tax_milli_percent ? String(p.tax_milli_percent / 1000) : '',
    by_suffix: write(p?.suffixes, currency),
    senders: a.sender_domains.join(' '),
  };
  const texts = Object.fromEntries(Object.entries(f).map(([k, v]) => [k, v ?? '']));
  const held = h as Record<string, unknown>;
  return { kind: a.kind, f: { ...texts, ...shown(habits, held) }, held };
}

function bySuffix(text: string | undefined, currency: string) {
  const found = readTable(text ?? '', currency);
  return 'rows' in found && Object.keys(found.rows).length ? { suffixes: found.rows } : {};
}

/** What the form says, as the contract has it; a blank field is null. */
export function fields(form: Written, habits: HabitField[]): Fields {
  const { kind, f } = form;
  const currency = f.currency || 'EUR';
  const connection = {
    host: f.host,
    port: Number(f.port),
    client: f.client,
    ca_file: or(f.ca),
    server_name: or(f.server),
    certificate_file: or(f.certificate),
    key_file: or(f.key),
  };
  return {
    title: f.title ?? '',
    registrar: f.registrar || f.title || '',
    kind,
    ...(f.password ? { password: f.password } : {}),
    connection: kind === 'epp' ? connection : {},
    habits: read(habits, f, form.held) as NonNullable<Fields['habits']>,
    prices: {
      currency,
      renew: minor(f.renew ?? '', currency) ?? null,
      transfer: minor(f.transfer ?? '', currency) ?? null,
      register: minor(f.register ?? '', currency) ?? null,
      renew_later: minor(f.renew_later ?? '', currency) ?? null,
      promotion: minor(f.promotion ?? '', currency) ?? null,
      per_transaction: minor(f.per_transaction ?? '', currency) ?? null,
      privacy: minor(f.privacy_price ?? '', currency) ?? null,
      promotion_code: or(f.promotion_code),
      promotion_until: or(f.promotion_until),
      tax_milli_percent: f.tax ? Math.round(Number(f.tax.replace(',', '.')) * 1000) : null,
      ...bySuffix(f.by_suffix, currency),
    },
    sender_domains: words(f.senders),
  };
}

const NESTED = ['connection', 'habits', 'prices'];
const differs = (a: unknown, b: unknown) => JSON.stringify(a ?? null) !== JSON.stringify(b ?? null);
const plain = (value: unknown) => (value ?? {}) as Record<string, unknown>;

/** Only what differs between what the form said at first and what it says now, field by field. */
export function changed<T extends object>(first: T, now: T): Partial<T> {
  const before = plain(first);
  const pairs = Object.entries(now).flatMap(([key, value]) => {
    if (!differs(before[key], value)) return [];
    if (!NESTED.includes(key)) return [[key, value]];
    const held = plain(before[key]);
    return [
      [
        key,
        Object.fromEntries(Object.entries(plain(value)).filter(([k, v]) => differs(held[k], v))),
      ],
    ];
  });
  return Object.fromEntries(pairs) as Partial<T>;
}
