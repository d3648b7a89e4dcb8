import { say } from './say';

import type { Amount } from './api';
import { dayAlone, dayOf } from './days';

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;

const time = new Intl.DateTimeFormat(undefined, {
  hour: '2-digit',
  minute: '2-digit',
  hour12: false,
});
const weekday = new Intl.DateTimeFormat('en', { weekday: 'short' });
const month = new Intl.DateTimeFormat('en', { month: 'short' });
const whole = new Intl.DateTimeFormat('en-GB', { dateStyle: 'full', timeStyle: 'long' });

const count = (n: number, unit: string) => `${n} ${unit}`;
const days = (n: number) => (n === 1 ? say.words.oneDay : say.words.days(n));

/** A length of time in at most two units: “2 h 10 min”, “3 days 4 h”. */
export function span(ms: number): string {
  const total = Math.max(0, Math.round(ms / MINUTE)) * MINUTE;
  if (total < MINUTE) return say.words.underMinute;
  const d = Math.floor(total / DAY);
  const h = Math.floor((total % DAY) / HOUR);
  const m = Math.round((total % HOUR) / MINUTE);
  if (d >= 14) return days(d);
  if (d > 0) return h ? `${days(d)} ${count(h, 'h')}` : days(d);
  if (h > 0) return m ? `${count(h, 'h')} ${count(m, 'min')}` : count(h, 'h');
  return count(m, 'min');
}

/** “Tue 2 Mar, 14:05 · in 2 h 10 min”, “Mon 1 Mar 2026, 09:00 · 365 days ago”. */
export function when(iso: string, now: number): string {
  const at = Date.parse(iso);
  const away = Math.abs(at - now);
  if (away < 45_000) return say.words.now(stamp(iso, now));
  return at > now
    ? say.words.in(span(away), stamp(iso, now))
    : say.words.ago(span(away), stamp(iso, now));
}

/** The instant alone: “Wed 10 Mar, 08:00”; with its year where that is another one. */
export function stamp(iso: string, now: number): string {
  const at = new Date(iso);
  const year = at.getFullYear() === new Date(now).getFullYear() ? '' : ` ${at.getFullYear()}`;
  const date = `${at.getDate()} ${month.format(at)}${year}`;
  return `${weekday.format(at)} ${date}, ${time.format(at)}`;
}

/** From one instant to another; the second without its day where that is the same. */
export function range(from: string, to: string, now: number): string {
  const end = dayOf(from) === dayOf(to) ? time.format(new Date(to)) : stamp(to, now);
  return say.answers.range(stamp(from, now), end);
}

/** The date alone: “9 Dec 2027”. */
export function day(iso: string): string {
  if (dayAlone(iso)) return plainDay(iso.slice(0, 10));
  const at = new Date(iso);
  return `${at.getDate()} ${month.format(at)} ${at.getFullYear()}`;
}
/** A date without an instant (YYYY-MM-DD), whatever the reader’s zone: “1 Mar 2027”. */
export const plainDay = (text: string) => {
  const [y, m, d] = text.split('-').map(Number);
  return `${d} ${month.format(new Date(y!, m! - 1, 15))} ${y}`;
};
export const full = (iso: string) =>
  say.words.utc(whole.format(new Date(iso)), offset(new Date(iso)));

/** The reader’s zone at an instant, as short as it is called: “GMT”, “CET”, “GMT-7”. */
export function zone(at: number): string {
  const parts = new Intl.DateTimeFormat('en-GB', { timeZoneName: 'short' }).formatToParts(at);
  return parts.find((part) => part.type === 'timeZoneName')?.value ?? '';
}

function offset(at: Date): string {
  const minutes = -at.getTimezoneOffset();
  const sign = minutes < 0 ? '−' : '+';
  const two = (n: number) => String(n).padStart(2, '0');
  return `${sign}${two(Math.floor(Math.abs(minutes) / 60))}:${two(Math.abs(minutes) % 60)}`;
}

/**
 * How many digits the minor unit of a currency has (ISO 4217: 0, 2 or 3, as the browser knows
 * them).
 */
export function digits(currency: string): number {
  try {
    const known = new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions();
    return known.maximumFractionDigits ?? 2;
  } catch {
    return 2;
  }
}

/** An amount such as 9.02 EUR, 1,234.50 EUR, 900 JPY or 1.250 KWD. */
export function money(amount: Amount): string {
  const places = digits(amount.currency);
  const [whole, part] = (amount.minor / 10 ** places).toFixed(places).split('.');
  const marked = whole!.replace(/\B(?=(\d{3})+$)/g, ',');
  return `${part ? `${marked}.${part}` : marked} ${amount.currency}`;
}

/** Splits a sentence at its instants, which stand in it as <2027-03-01T08:00:00Z>. */
export function parts(sentence: string): { text?: string; at?: string }[] {
  return sentence
    .split(/(<\d{4}-\d\d-\d\dT\d\d:\d\d:\d\dZ>)/)
    .filter(Boolean)
    .map((piece) => (/^<\d{4}-/.test(piece) ? { at: piece.slice(1, -1) } : { text: piece }));
}

export const GATES = {
  ready: say.words.ready,
  needs: say.words.needsYou,
  unknown: say.words.unknownFacts,
  wait: say.words.waitUntil,
  blocked: say.words.blocked,
  moving: say.words.moving,
} as const;
/** The same where no instant follows. */
export const GATES_ALONE = { ...GATES, wait: say.gateMark.wait } as const;
/** What an instant means: it goes on by itself then, or it is late only after it. */
export function untilWords(means: 'by-itself' | 'late' | 'over', at: string, now: number): string {
  const past = Date.parse(at) < now;
  if (means === 'by-itself') return say.words.goesOnByItself;
  if (means === 'late') return past ? say.words.lateSince : say.words.lateAfter;
  return past ? say.words.overSince : say.words.overBy;
}
/** The same with the instant alone: “late after Thu 07:20”. */
export const untilAt = (means: 'by-itself' | 'late' | 'over', at: string, now: number) =>
  say.words.until[means](stamp(at, now));
export const TURNS = {
  yours: say.words.yours,
  theirs: say.words.theirs,
  desk: say.words.theDesks,
  clock: say.words.ofClock,
} as const;

/**
 * The system that a browser says it runs on: the first comment of its User-Agent (RFC 9110
 * §10.1.5).
 */
export const systemOf = (agent: string) =>
  agent.match(/\(([^)]*)\)/)?.[1] ?? (agent.split(' ')[0] || say.words.unknown);
