import { createRouter } from 'sv-router';
import Names from './views/names/Names.svelte';
import Blank from './parts/Blank.svelte';
import Nowhere from './views/Nowhere.svelte';

/** Each view is fetched when it is opened; those of a first page come with it (Web::Pages). */
const router = createRouter({
  '/': () => import('./views/desk/Desk.svelte'),
  '/names': {
    '/': Blank,
    '/take-in': () => import('./views/names/TakeIn.svelte'),
    '/import/:id': () => import('./views/names/ImportSheet.svelte'),
    '/batch': () => import('./views/names/NewBatch.svelte'),
    '/:name': () => import('./views/names/NameSheet.svelte'),
    '/:name/plan': () => import('./views/names/Plan.svelte'),
    '/:name/ready': () => import('./views/names/Prepare.svelte'),
    layout: Names,
  },
  '/approvals': () => import('./views/moves/Approvals.svelte'),
  '/ledger': () => import('./views/ledger/Ledger.svelte'),
  '/moves': {
    '/': Blank,
    '/:id': () => import('./views/moves/MoveSheet.svelte'),
    layout: () => import('./views/moves/Moves.svelte'),
  },
  '/records': {
    '/': Blank,
    '/:name': () => import('./views/records/RecordsSheet.svelte'),
    '/:name/plan': () => import('./views/records/HandoverPlan.svelte'),
    layout: () => import('./views/records/Records.svelte'),
  },
  '/batches': {
    '/': Blank,
    '/:id': () => import('./views/batches/BatchSheet.svelte'),
    layout: () => import('./views/batches/Batches.svelte'),
  },
  '/begin': () => import('./views/arrive/Begin.svelte'),
  '/by-hand': () => import('./views/hands/Hands.svelte'),
  '/visit/:id': () => import('./views/hands/Visit.svelte'),
  '/visit/records/:name': () => import('./views/records/RecordVisit.svelte'),
  '/post': () => import('./views/post/Post.svelte'),
  '/accounts': {
    '/': () => import('./views/accounts/Registrars.svelte'),
    '/dns-hosts': () => import('./views/accounts/DnsHosts.svelte'),
    '/people': () => import('./views/accounts/People.svelte'),
    '/settings': () => import('./views/accounts/Settings.svelte'),
    layout: () => import('./views/accounts/Accounts.svelte'),
  },
  '/codes': () => import('./views/codes/CodeSafe.svelte'),
  '/rulebook': () => import('./views/rulebook/Rulebook.svelte'),
  '/status': () => import('./views/status/Status.svelte'),
  '/you': () => import('./views/you/You.svelte'),
  '/practice': () => import('./views/practice/Practice.svelte'),
  '/help': () => import('./views/help/Help.svelte'),
  '/help/:page': () => import('./views/help/Help.svelte'),
  '*': Nowhere,
});

export const { p, isActive, route } = router;

/**
 * Goes to a view. Where another link is followed meanwhile, that one counts; the router then
 * answers with itself.
 */
export const navigate = (async (...to: Parameters<typeof router.navigate>) => {
  try {
    return await router.navigate(...to);
  } catch (e) {
    if (!(e instanceof TypeError)) throw e;
    return e;
  }
}) as typeof router.navigate;
