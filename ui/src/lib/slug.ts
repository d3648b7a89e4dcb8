import { digits } from './words';

/** An identifier from a title: “Orlop Domain Desk” → “orlop-domain-desk”. */
export const slug = (title: string) =>
  title
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40) || 'account';

/** “9.02” → 902 in a currency with two digits; undefined where nothing is written. */
export const minor = (text: string, currency: string) =>
  text.trim() ? Math.round(Number(text.replace(',', '.')) * 10 ** digits(currency)) : undefined;
