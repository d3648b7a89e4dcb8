import { session } from './session.svelte';
import { say } from './say';

/** A view of the bar. daily: stands in the bar itself, the rest under one word. */
export type View = { path: string; title: string; daily?: boolean; practice?: boolean };

/** Every view in the order of the bar; the digits follow it. */
export const VIEWS: View[] = [
  { path: '/', title: say.topBar.desk, daily: true },
  { path: '/names', title: say.topBar.names, daily: true },
  { path: '/moves', title: say.topBar.moves, daily: true },
  { path: '/by-hand', title: say.topBar.byHand, daily: true },
  { path: '/post', title: say.topBar.post, daily: true },
  { path: '/records', title: say.topBar.records },
  { path: '/codes', title: say.topBar.codeSafe },
  { path: '/rulebook', title: say.topBar.rulebook },
  { path: '/accounts', title: say.topBar.accounts },
  { path: '/status', title: say.topBar.status },
  { path: '/practice', title: say.topBar.practice, practice: true },
  { path: '/help', title: say.topBar.help },
];

export const views = () => VIEWS.filter((v) => !v.practice || session.who?.practice);
/** Which view a path belongs to: batches, approvals and the ledger are parts of the moves. */
export const viewOf = (path: string) =>
  path === '/'
    ? '/'
    : /^\/(batches|approvals|ledger)/.test(path)
      ? '/moves'
      : VIEWS.find((v) => v.path !== '/' && path.startsWith(v.path))?.path;
