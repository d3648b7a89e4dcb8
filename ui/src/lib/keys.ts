import { say } from './say';

import { navigate } from '../router';
import { views } from './views';

/** All keys, as the help shows them. Never a single key for something that acts on the outside. */
export const KEYS: [string, string][] = [
  ['/', say.keys.searchAll],
  ['?', say.keys.keysThese],
  ['1 … 9', say.keys.keysViews],
  ['j k', say.keys.keysWalk],
  ['Enter', say.keys.keysOpen],
  ['x', say.keys.keysTray],
  ['p', say.keys.keysPlan],
  ['t', say.keys.keysDate],
  ['e', say.keys.keysEvidence],
  ['s', say.keys.skipToSheet],
  ['c n', say.keys.atAVisit],
  [say.keys.esc, say.keys.closeSheet],
];

const OFF = 'single-keys-off';
/** Single keys can be switched off (WCAG 2.2, 2.1.4); Esc, Enter and the arrows stay. */
export const keysAreOff = () => localStorage.getItem(OFF) === '1';
export const switchKeys = (off: boolean) =>
  off ? localStorage.setItem(OFF, '1') : localStorage.removeItem(OFF);

/** Is somebody typing, or choosing, in what an event comes from? */
export const typing = (e: Event) =>
  e.target instanceof HTMLElement &&
  (/^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName) || e.target.isContentEditable) &&
  !(e.target instanceof HTMLInputElement && /^(checkbox|radio|range|button)$/.test(e.target.type));

const behindADialog = () => document.querySelector('dialog[open]') !== null;

/** Is it this single key, and may single keys act now? */
export const single = (e: KeyboardEvent, key: string) =>
  e.key === key &&
  !e.ctrlKey &&
  !e.metaKey &&
  !e.altKey &&
  !typing(e) &&
  !keysAreOff() &&
  !behindADialog();

/** Keys that hold on every view. Returns true where the key was used. */
export function globalKey(
  e: KeyboardEvent,
  does: { help: () => void; search: () => void },
): boolean {
  if (e.ctrlKey || e.metaKey || e.altKey || typing(e) || behindADialog()) return false;
  if (e.key === 'ArrowDown' || e.key === 'ArrowUp')
    return !onAControl(e) && walk(e.key === 'ArrowDown' ? 1 : -1);
  if (keysAreOff()) return false;
  const view = /^[1-9]$/.test(e.key) && views()[Number(e.key) - 1];
  if (view) {
    void navigate(view.path as '/');
    return true;
  }
  switch (e.key) {
    case '?':
      does.help();
      return true;
    case '/':
      does.search();
      return true;
    case 'j':
      return walk(1);
    case 'k':
      return walk(-1);
    case 's':
      return skipToSheet();
  }
  return false;
}

/** Sliders and radios keep their arrows. */
const onAControl = (e: KeyboardEvent) => e.target instanceof HTMLInputElement;

/**
 * j/k and arrows move the focus along the rows of the list at hand, from where it stands or from
 * the open one.
 */
function walk(step: 1 | -1): boolean {
  const rows = [...document.querySelectorAll<HTMLElement>('[data-row]')];
  if (!rows.length) return false;
  const focused = rows.indexOf(document.activeElement as HTMLElement);
  const at =
    focused >= 0 ? focused : rows.findIndex((row) => row.getAttribute('aria-current') === 'true');
  const next = rows[Math.min(rows.length - 1, Math.max(0, at + step))];
  next?.focus();
  next?.scrollIntoView({ block: 'nearest' });
  return true;
}

/** From the list to the sheet beside it. */
export function skipToSheet(): boolean {
  const heading = document.querySelector<HTMLElement>('section.panel h1');
  heading?.focus();
  return heading !== null;
}
