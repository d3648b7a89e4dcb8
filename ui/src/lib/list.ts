import { searchParams } from 'sv-router';
import { api, ask, type Schemas } from './api';
import { keepOwn, own } from './own';
import { hold, picked, TRAY_MOST } from './tray.svelte';

export type NameList = Schemas['NameList'];
export type Working = Schemas['Working'];

/** Rows asked for at once. */
export const PAGE = 100;

/** What the list may be grouped by. */
const GROUPS = ['account', 'client', 'gate'] as const;

/** What is asked of the list; all of it stands in the URL. */
export interface Asked {
  q?: string;
  gate?: string;
  account?: string;
  suffix?: string;
  client?: string;
  within?: number;
  changed?: boolean;
  sort?: string;
  group?: (typeof GROUPS)[number];
  at?: string;
  to?: string;
}

const text = (key: string) => {
  const value = searchParams.get(key);
  return value === null || value === '' ? undefined : String(value);
};

/** Reads the URL. */
export function asked(): Asked {
  const group = GROUPS.find((g) => g === text('group'));
  return {
    q: text('q'),
    gate: text('gate'),
    account: text('account'),
    suffix: text('suffix'),
    client: text('client'),
    within: text('within') === undefined ? undefined : Number(text('within')),
    changed: text('changed') ? true : undefined,
    sort: text('sort'),
    group,
    at: text('at'),
    to: text('to'),
  };
}

/** Puts one value into the URL, or takes it out. */
export function put(key: keyof Asked, value: string | undefined) {
  if (value) searchParams.set(key, value, { replace: true });
  else searchParams.delete(key, undefined, { replace: true });
}

/** The URL's question mark and what follows, for links that keep the list as it is. */
export function kept(): string {
  const search = searchParams.toString();
  return search ? `?${search}` : '';
}

/** The same for `navigate`. */
export const keptSearch = () => Object.fromEntries(new URLSearchParams(searchParams.toString()));

/** One stretch of the list, or how far the judging has come. */
export const stretch = (what: Asked, offset: number) =>
  ask(api.GET('/api/names', { params: { query: { ...what, offset, limit: PAGE } } }));

export const isWorking = (answer: NameList | Working): answer is Working => 'working' in answer;

/** What is kept for the person: which names are shown, and in which order. */
const KEPT = ['gate', 'account', 'suffix', 'client', 'within', 'sort', 'group'] as const;
export const filters = () => {
  const pairs = KEPT.map((key) => [key, text(key)] as const).filter(([, value]) => value);
  return new URLSearchParams(pairs as [string, string][]).toString();
};

/** Shows what a filter that was kept by name shows, and nothing else that filters. */
export function showOnly(text: string) {
  const wanted = new URLSearchParams(text);
  for (const key of KEPT) put(key, wanted.get(key) ?? undefined);
  void keepOwn('names', { filters: filters() });
}

/** Chooses what is shown, and keeps it for the next time. */
export function filter(key: (typeof KEPT)[number], value: string | undefined) {
  put(key, value);
  void keepOwn('names', { filters: filters() });
}

/** Where nothing is asked for, what was kept. */
export function asBefore() {
  if (searchParams.toString() !== '') return;
  for (const [key, value] of new URLSearchParams(own().names?.filters ?? ''))
    if ((KEPT as readonly string[]).includes(key)) put(key as keyof Asked, value);
}

/** Puts all that the list holds into the tray, or takes them out of it. */
export async function pickAll(what: Asked, into: boolean) {
  const answer = await ask(
    api.GET('/api/names', { params: { query: { ...what, offset: 0, limit: TRAY_MOST } } }),
  );
  if (isWorking(answer)) return;
  const shown = answer.names.map((n) => n.name);
  const others = picked().filter((name) => !shown.includes(name));
  hold([...others, ...(into ? shown : [])]);
}
