import { between, later } from './days';
import { digits, money, plainDay } from './words';
import { say } from './say';

/** What was read of what somebody typed: the value, or the sentence that says what is expected. */
export type Read<T> = { value: T } | { wrong: string };

const MONTHS = 'jan feb mar apr may jun jul aug sep oct nov dec'.split(' ');
const LONG =
  /^(?:january|february|march|april|may|june|july|august|september|october|november|december)$/;
const monthOf = (word: string) => {
  const short = word.slice(0, 3);
  const whole = word.length === 3 || word === 'sept' || LONG.test(word);
  return whole ? MONTHS.indexOf(short) + 1 : 0;
};
const two = (n: number) => String(n).padStart(2, '0');

/** A day that exists, as YYYY-MM-DD. */
function dayAt(y: number, m: number, d: number): string | undefined {
  const year = y < 100 ? 2000 + y : y;
  const at = new Date(Date.UTC(year, m - 1, d));
  const is = at.getUTCMonth() === m - 1 && at.getUTCDate() === d && year < 2200;
  return is ? `${year}-${two(m)}-${two(d)}` : undefined;
}

/** A day of a month without its year: the next one that comes. */
function nextOne(m: number, d: number, today: string): string | undefined {
  const year = Number(today.slice(0, 4));
  const here = dayAt(year, m, d);
  return here && between(today, here) < 0 ? dayAt(year + 1, m, d) : here;
}

const RELATIVE = /^(?:in )?\+?(\d{1,4})(?: days?)?$/;
// Each way to write a day, and what it says.
const WAYS: [RegExp, (m: string[], today: string) => string | undefined][] = [
  [/^today$/, (_, today) => today],
  [/^tomorrow$/, (_, today) => later(today, 1)],
  [
    /^(?:in \d{1,4} days?|\+\d{1,4}(?: days?)?)$/,
    (m, today) => later(today, Number(m[0]!.match(RELATIVE)![1])),
  ],
  [/^(\d{4})-(\d\d?)-(\d\d?)$/, (m) => dayAt(+m[1]!, +m[2]!, +m[3]!)],
  [/^(\d\d?)\.(\d\d?)\.(\d{4}|\d\d)$/, (m) => dayAt(+m[3]!, +m[2]!, +m[1]!)],
  [/^(\d\d?)\.? ([a-z]+)\.?,? (\d{4})$/, (m) => dayAt(+m[3]!, monthOf(m[2]!), +m[1]!)],
  [/^([a-z]+)\.? (\d\d?),? (\d{4})$/, (m) => dayAt(+m[3]!, monthOf(m[1]!), +m[2]!)],
  [/^(\d\d?)\.? ([a-z]+)\.?$/, (m, today) => nextOne(monthOf(m[2]!), +m[1]!, today)],
  [/^([a-z]+)\.? (\d\d?)$/, (m, today) => nextOne(monthOf(m[1]!), +m[2]!, today)],
];
const SLASHED = /^(\d\d?)\/(\d\d?)\/(\d{4})$/;

/**
 * Reads a day as people write it (“20 Mar 2027”, “20.3.2027”, “2027-03-20”, “tomorrow”, “in 10
 * days”), as YYYY-MM-DD. One that could be either of two days is refused, never guessed.
 */
export function readDay(text: string, today: string): Read<string> {
  const plain = text.trim().toLowerCase().replace(/\s+/g, ' ');
  const given = plain.replace(/^(?:mon|tue|wed|thu|fri|sat|sun)[a-z]*,? /, '');
  const slashed = given.match(SLASHED);
  if (slashed) return readSlashed(slashed, text);
  for (const [way, says] of WAYS) {
    const match = given.match(way);
    const day = match && says(match, today);
    if (day) return { value: day };
  }
  return { wrong: say.reading.day(text, plainDay(later(today, 10))) };
}

function readSlashed(m: RegExpMatchArray, text: string): Read<string> {
  const year = Number(m[3]);
  const first = dayAt(year, Number(m[2]), Number(m[1]));
  const second = dayAt(year, Number(m[1]), Number(m[2]));
  if (first && second && first !== second)
    return { wrong: say.reading.eitherDay(text, plainDay(first), plainDay(second)) };
  const day = first ?? second;
  return day ? { value: day } : { wrong: say.reading.day(text, plainDay(`${year}-03-20`)) };
}

const THREES = /^\d{1,3}([.,])\d{3}(?:\1\d{3})*$/;

/** Takes an amount apart into its digits before and after the decimal mark. */
function halves(text: string, places: number): [string, string] | 'either' | undefined {
  if (/^\d+$/.test(text)) return [text, ''];
  const last = Math.max(text.lastIndexOf('.'), text.lastIndexOf(','));
  const mark = text[last]!;
  const [before, after] = [text.slice(0, last), text.slice(last + 1)];
  if (!/^\d+$/.test(after) || !/^[\d.,]+$/.test(before)) return undefined;
  const other = /[.,]/.test(before);
  const threes = after.length === 3 && THREES.test(text) && !/^0/.test(text);
  // one mark alone before three digits: thousands, unless the currency has three digits
  if (!other && threes && places === 3) return mark === '.' ? [before, after] : 'either';
  if (threes) return [text.replace(/[.,]/g, ''), ''];
  if (after.length > places || before.includes(mark)) return undefined;
  if (other && !THREES.test(before)) return undefined;
  return [before.replace(/[.,]/g, ''), after];
}

/**
 * Reads an amount in both notations (“1,234.50”, “1.234,50”, “1 234,50”, “1,000”, “9.02 EUR”), in
 * the currency’s minor units (ISO 4217: 0, 2 or 3 digits).
 */
export function readAmount(text: string, currency: string): Read<number> {
  const places = digits(currency);
  const bare = text.trim().replace(new RegExp(`^${currency}|${currency}$`, 'i'), '');
  const plain = bare.replace(/(\d)[\s'’](?=\d{3}(?!\d))/g, '$1').trim();
  const found = halves(plain, places);
  if (found === 'either') return { wrong: say.reading.eitherAmount(text) };
  const value = found && Number(`${found[0]}${found[1].padEnd(places, '0')}`);
  return value !== undefined && Number.isSafeInteger(value)
    ? { value }
    : { wrong: say.reading.amount(text, money({ minor: 123_450, currency })) };
}

/** The same of a field that may be empty; undefined where nothing readable is written. */
export function minor(text: string, currency: string): number | undefined {
  const read = text.trim() ? readAmount(text, currency) : undefined;
  return read && 'value' in read ? read.value : undefined;
}

/** A field that takes an amount: what can’t be read holds the form up, and says why. */
export const amountIn = (currency: () => string) => (field: HTMLInputElement) => {
  const check = () => {
    const read = field.value.trim() ? readAmount(field.value, currency()) : undefined;
    field.setCustomValidity(read && 'wrong' in read ? read.wrong : '');
  };
  field.addEventListener('input', check);
  check();
  return () => field.removeEventListener('input', check);
};

/** Reads a plain number in both notations: “19”, “8.25”, “8,25”. */
export function readNumber(text: string): number | undefined {
  const plain = text.trim().replace(',', '.');
  return /^\d+(\.\d+)?$/.test(plain) ? Number(plain) : undefined;
}
