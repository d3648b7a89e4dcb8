import type { Schemas } from '../../lib/api';
import { digits, minor } from '../../lib/words';
import { read, write } from './priceTable';

export type Fields = Schemas['AccountFields'];
export type Whole = Schemas['WholeAccount'];
/** What the form holds: texts by the keys of fields.ts, and the ways by act. */
export interface Written {
  kind: 'epp' | 'by_hand';
  f: Record<string, string>;
  ways: Record<string, string>;
}

const words = (text: string | undefined) => (text ?? '').split(/[\s,]+/).filter(Boolean);
const yes = (text: string | undefined) => (text ? text === 'yes' : null);
const or = (text: string | undefined) => text || null;
const known = (flag: boolean | null | undefined) =>
  flag === true ? 'yes' : flag === false ? 'no' : '';
const amount = (value: number | null | undefined, currency: string) =>
  value === null || value === undefined
    ? ''
    : (value / 10 ** digits(currency)).toFixed(digits(currency));

/** A form with nothing written. */
export const blank = (): Written => ({
  kind: 'by_hand',
  f: { port: '700', currency: 'EUR' },
  ways: {},
});

/** The form of an account that is held; its secrets are not in it. */
export function written(a: Whole): Written {
  const { connection: c = {}, habits: h = {}, prices: p } = a;
  const currency = p?.currency ?? 'EUR';
  const service = h.privacy_service;
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
    registrar_names: h.registrar_names?.join('; '),
    tag: h.tag,
    paid_by: h.paid_by,
    code_guard: h.code_guard,
    list_separator: h.list?.separator === ',' ? '' : h.list?.separator,
    list_header: h.list?.header,
    list_quoting: h.list?.quoting === 'needed' ? '' : h.list?.quoting,
    confirm_link: known(h.confirms ? h.confirms.includes('link') : null),
    confirm_halves: known(h.confirms ? h.confirms.includes('halves') : null),
    confirm_code: known(h.confirms ? h.confirms.includes('code') : null),
    aim_lock: h.aims?.lock,
    aim_auto_renew: h.aims?.auto_renew,
    aim_privacy: h.aims?.privacy,
    aim_contacts: h.aims?.contacts,
    senders: a.sender_domains.join(' '),
    registrar_id: h.registrar_id,
    suffixes: h.suffixes?.join(' '),
    payment: h.payment,
    reads: known(h.reads_contacts),
    privacy: h.privacy,
    site: h.site,
    login: h.login,
    support: h.support,
    code_to: h.code_to,
    code_reason: known(h.code_reason),
    code_takes: h.code_takes?.map((s) => s / 60).join(', '),
    contacts_late: h.contacts_late ? String(h.contacts_late / 3600) : '',
    opt_out: known(h.opt_out),
    service: service?.title,
    service_site: service?.site,
    service_login: service?.login,
    service_identity: known(service?.identity),
    service_from: service?.writes_from,
  };
  const texts = Object.fromEntries(Object.entries(f).map(([k, v]) => [k, v ?? '']));
  return { kind: a.kind, f: texts, ways: { ...(h.ways as Record<string, string> | null) } };
}

/** The form of its list of names and codes; null where it is the usual one. */
function list(f: Record<string, string>) {
  if (!f.list_separator && !f.list_header && !f.list_quoting) return null;
  return {
    separator: f.list_separator || ',',
    header: or(f.list_header),
    quoting: (f.list_quoting || 'needed') as 'always' | 'needed' | 'never',
  };
}

function aims(f: Record<string, string>) {
  const told = {
    lock: f.aim_lock,
    auto_renew: f.aim_auto_renew,
    privacy: f.aim_privacy,
    contacts: f.aim_contacts,
  };
  const said = Object.fromEntries(Object.entries(told).filter(([, v]) => v));
  return Object.keys(said).length ? (said as Schemas['Aims']) : null;
}

function habits({ f, ways }: Written): NonNullable<Fields['habits']> {
  const names = (f.registrar_names ?? '')
    .split(';')
    .map((n) => n.trim())
    .filter(Boolean);
  const confirms = (['link', 'halves', 'code'] as const).filter(
    (how) => f[`confirm_${how}`] === 'yes',
  );
  const takes = words(f.code_takes).map((m) => Math.round(Number(m) * 60));
  const suffixes = words(f.suffixes).map((s) => s.replace(/^\./, '').toLowerCase());
  const service = f.service
    ? {
        title: f.service,
        site: or(f.service_site),
        login: or(f.service_login),
        identity: yes(f.service_identity),
        writes_from: or(f.service_from),
      }
    : null;
  return {
    suffixes: suffixes.length ? suffixes : null,
    payment: or(f.payment),
    registrar_id: or(f.registrar_id),
    reads_contacts: yes(f.reads),
    privacy: or(f.privacy),
    site: or(f.site),
    login: or(f.login),
    support: or(f.support),
    ways: Object.fromEntries(Object.entries(ways).filter(([, way]) => way)),
    code_to: (f.code_to || null) as 'registrant' | 'admin' | 'technical' | null,
    code_guard: (f.code_guard || null) as 'mail' | 'factor' | null,
    registrar_names: names.length ? names : null,
    tag: or(f.tag),
    paid_by: (f.paid_by || null) as 'card' | 'balance' | 'invoice' | null,
    confirms: confirms.length ? confirms : null,
    list: list(f),
    aims: aims(f),
    code_reason: yes(f.code_reason),
    code_takes: takes.length === 3 && takes.every(Number.isFinite) ? takes : null,
    contacts_late: f.contacts_late ? Math.round(Number(f.contacts_late) * 3600) : null,
    opt_out: yes(f.opt_out),
    privacy_service: service,
  };
}

function bySuffix(text: string | undefined, currency: string) {
  const found = read(text ?? '', currency);
  return 'rows' in found && Object.keys(found.rows).length ? { suffixes: found.rows } : {};
}

/** What the form says, as the contract has it; a blank field is null. */
export function fields(form: Written): Fields {
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
    habits: habits(form),
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
