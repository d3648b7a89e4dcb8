import { plainDay } from './words';
import { say } from './say';

/** A fact’s value in words: instants as marks for a sentence, a day alone as that day. */
export function worded(value: unknown): string {
  if (typeof value === 'string' && /^\d{4}-\d\d-\d\dT/.test(value)) return `<${value}>`;
  if (typeof value === 'string' && /^\d{4}-\d\d-\d\d$/.test(value)) return plainDay(value);
  if (Array.isArray(value)) return value.join(', ');
  if (typeof value === 'boolean') return value ? say.notes.yes : say.notes.no;
  if (value && typeof value === 'object') return Object.values(value).filter(Boolean).join(', ');
  return String(value);
}
