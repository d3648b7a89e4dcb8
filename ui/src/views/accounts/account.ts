import type { Schemas } from '../../lib/api';
import { digits, minor } from '../../lib/words';

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
const known = (flag: boolean | null | undefined) => (flag === true ? 'yes' : flag === false ? 'no' : '');
const amount = (value: number | null | undefined, currency: string) =>
  value === null || value === undefined ? '' : (value / 10 ** digits(currency)).toFixed(digits(currency));

/** A form with nothing written. */
export const blank = (): Written => ({ kind: 'epp', f: { port: '700', currency: 'EUR' }, ways: {} });

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

function habits({ f, ways }: Written): NonNullable<Fields['habits']> {
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
    code_to: (f.code_to || null) as 'registrant' | 'admin' | null,
    code_reason: yes(f.code_reason),
    code_takes: takes.length === 3 && takes.every(Number.isFinite) ? takes : null,
    contacts_late: f.contacts_late ? Math.round(Number(f.contacts_late) * 3600) : null,
    opt_out: yes(f.opt_out),
    privacy_service: service,
  };
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
    return [[key, Object.fromEntries(Object.entries(plain(value)).filter(([k, v]) => differs(held[k], v)))]];
  });
  return Object.fromEntries(pairs) as Partial<T>;
}
