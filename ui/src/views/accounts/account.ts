import type { Schemas } from '../../lib/api';
import { read as readHabits, shown, type HabitField } from './habits';
import { CONNECTION, PRICES, read, show } from './members';
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

const PORT = '700';
const CURRENCY = 'EUR';
const words = (text: string | undefined) => (text ?? '').split(/[\s,]+/).filter(Boolean);

/** A form with nothing written. */
export const blank = (): Written => ({ kind: 'by_hand', f: { port: PORT, currency: CURRENCY } });

/** The form of an account that is held; its secrets are not in it. */
export function written(a: Whole, habits: HabitField[]): Written {
  const currency = a.prices?.currency ?? CURRENCY;
  const held = (a.habits ?? {}) as Record<string, unknown>;
  const connection = show(CONNECTION, a.connection);
  const f = {
    title: a.title,
    registrar: a.registrar ?? '',
    ...connection,
    port: connection.port || PORT,
    currency,
    ...show(PRICES, a.prices, currency),
    by_suffix: write(a.prices?.suffixes, currency),
    senders: a.sender_domains.join(' '),
    ...shown(habits, held),
  };
  return { kind: a.kind, f, held };
}

function bySuffix(text: string | undefined, currency: string) {
  const found = readTable(text ?? '', currency);
  return 'rows' in found && Object.keys(found.rows).length ? { suffixes: found.rows } : {};
}

/** What the form says, as the contract has it; a blank field is null. */
export function fields(form: Written, habits: HabitField[]): Fields {
  const { kind, f } = form;
  const currency = f.currency || CURRENCY;
  return {
    title: f.title ?? '',
    registrar: f.registrar || f.title || '',
    kind,
    ...(f.password ? { password: f.password } : {}),
    connection: kind === 'epp' ? read(CONNECTION, f) : {},
    habits: readHabits(habits, f, form.held) as NonNullable<Fields['habits']>,
    prices: { currency, ...read(PRICES, f, currency), ...bySuffix(f.by_suffix, currency) },
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
