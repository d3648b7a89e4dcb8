import { say } from './say';

import { navigate } from '../router';

/** All keys, as the help shows them. Never a single key for something that acts on the outside. */
export const KEYS: [string, string][] = [
  ['/', say.keys.searchNamesMovesAndViews],
  ['?', say.keys.theseKeys],
  ['1 … 7', say.keys.deskNamesMovesPostRulebook],
  ['j k', say.keys.walkDownAndUpThe],
  ['Enter', say.keys.openWhatTheWalkStands],
  ['x', say.keys.putTheNameIntoThe],
  ['p', say.keys.planTheTray],
  ['t', say.keys.toTheWhatIfDate],
  ['e', say.keys.showOrHideTheEvidence],
  [say.keys.esc, say.keys.closeTheSheet],
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
