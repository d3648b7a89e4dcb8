import { searchParams } from 'sv-router';
import { api, ask, type Schemas } from './api';

export type NameList = Schemas['NameList'];
export type Working = Schemas['Working'];

/** Rows asked for at once. */
export const PAGE = 100;

/** What is asked of the list; all of it stands in the URL. */
export interface Asked {
  q?: string;
  gate?: string;
  account?: string;
  suffix?: string;
  within?: number;
  changed?: boolean;
  sort?: string;
  group?: 'account' | 'gate';
  at?: string;
  to?: string;
}

const text = (key: string) => {
  const value = searchParams.get(key);
  return value === null || value === '' ? undefined : String(value);
};

/** Reads the URL. */
export function asked(): Asked {
  const group = text('group');
  return {
    q: text('q'),
    gate: text('gate'),
    account: text('account'),
    suffix: text('suffix'),
    within: text('within') === undefined ? undefined : Number(text('within')),
    changed: text('changed') ? true : undefined,
    sort: text('sort'),
    group: group === 'account' || group === 'gate' ? group : undefined,
    at: text('at'),
    to: text('to'),
  };
}

/** Puts one value into the URL, or takes it out. */
export function put(key: keyof Asked | 'tray', value: string | undefined) {
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

/** As many names as the tray holds. */
export const TRAY_MOST = 200;

/** Puts all that the list holds into the tray, or takes them out of it. */
export async function pickAll(what: Asked, into: boolean) {
  const answer = await ask(
    api.GET('/api/names', { params: { query: { ...what, offset: 0, limit: TRAY_MOST } } }),
  );
  if (isWorking(answer)) return;
  const shown = answer.names.map((n) => n.name);
  const others = picked().filter((name) => !shown.includes(name));
  put('tray', [...others, ...(into ? shown : [])].slice(0, TRAY_MOST).join(','));
}

/** Names in the tray, in the order in which they were picked. */
export const picked = () => (text('tray') ?? '').split(',').filter((name) => name !== '');

export function pick(name: string) {
  const names = picked();
  put(
    'tray',
    (names.includes(name) ? names.filter((n) => n !== name) : [...names, name]).join(','),
  );
}
