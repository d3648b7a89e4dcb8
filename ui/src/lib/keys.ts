import { navigate } from '../router';

/** All keys, as the help shows them. Never a single key for something that acts on the outside. */
export const KEYS: [string, string][] = [
  ['/', 'Search names, moves and views'],
  ['?', 'These keys'],
  ['1 … 7', 'Desk, Names, Moves, Post, Rulebook, Accounts, Status'],
  ['j k', 'Walk down and up the list'],
  ['Enter', 'Open what the walk stands on'],
  ['x', 'Put the name into the tray, or take it out'],
  ['p', 'Plan the tray'],
  ['t', 'To the what-if date'],
  ['e', 'Show or hide the evidence'],
  ['Esc', 'Close the sheet'],
];

const VIEWS = ['/', '/names', '/moves', '/post', '/rulebook', '/accounts', '/status'] as const;

const typing = (e: KeyboardEvent) =>
  e.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName);

/** Keys that hold on every view. Returns true where the key was used. */
export function globalKey(e: KeyboardEvent, does: { help: () => void; search: () => void }): boolean {
  if (e.ctrlKey || e.metaKey || e.altKey || typing(e)) return false;
  const view = VIEWS[Number(e.key) - 1];
  if (view) {
    void navigate(view);
    return true;
  }
  if (e.key === '?') {
    does.help();
    return true;
  }
  if (e.key === '/') {
    does.search();
    return true;
  }
  return walk(e);
}

/** j/k and arrows move the focus along the rows of the list at hand. */
function walk(e: KeyboardEvent): boolean {
  const step = e.key === 'j' || e.key === 'ArrowDown' ? 1 : e.key === 'k' || e.key === 'ArrowUp' ? -1 : 0;
  if (!step) return false;
  const rows = [...document.querySelectorAll<HTMLElement>('[data-row]')];
  if (!rows.length) return false;
  const at = rows.findIndex((row) => row === document.activeElement || row.getAttribute('aria-current') === 'true');
  rows[Math.min(rows.length - 1, Math.max(0, at + step))]?.focus();
  return true;
}
