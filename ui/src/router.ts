import { createRouter } from 'sv-router';
import Desk from './views/desk/Desk.svelte';
import Moves from './views/moves/Moves.svelte';
import Approvals from './views/moves/Approvals.svelte';
import Ledger from './views/ledger/Ledger.svelte';
import MoveSheet from './views/moves/MoveSheet.svelte';
import Names from './views/names/Names.svelte';
import NameSheet from './views/names/NameSheet.svelte';
import Plan from './views/names/Plan.svelte';
import Prepare from './views/names/Prepare.svelte';
import TakeIn from './views/names/TakeIn.svelte';
import Post from './views/post/Post.svelte';
import Accounts from './views/accounts/Accounts.svelte';
import Practice from './views/practice/Practice.svelte';
import Begin from './views/arrive/Begin.svelte';
import Blank from './parts/Blank.svelte';
import Hands from './views/hands/Hands.svelte';
import NewBatch from './views/names/NewBatch.svelte';
import Batches from './views/batches/Batches.svelte';
import BatchSheet from './views/batches/BatchSheet.svelte';
import CodeSafe from './views/codes/CodeSafe.svelte';
import Rulebook from './views/rulebook/Rulebook.svelte';
import Records from './views/records/Records.svelte';
import RecordsSheet from './views/records/RecordsSheet.svelte';
import Status from './views/status/Status.svelte';
import You from './views/you/You.svelte';
import Nowhere from './views/Nowhere.svelte';

export const { p, navigate, isActive, route } = createRouter({
  '/': Desk,
  '/names': {
    '/': Blank,
    '/take-in': TakeIn,
    '/batch': NewBatch,
    '/:name': NameSheet,
    '/:name/plan': Plan,
    '/:name/ready': Prepare,
    layout: Names,
  },
  '/approvals': Approvals,
  '/ledger': Ledger,
  '/moves': { '/': Blank, '/:id': MoveSheet, layout: Moves },
  '/records': { '/': Blank, '/:name': RecordsSheet, layout: Records },
  '/batches': { '/': Blank, '/:id': BatchSheet, layout: Batches },
  '/begin': Begin,
  '/by-hand': Hands,
  '/post': Post,
  '/accounts': Accounts,
  '/codes': CodeSafe,
  '/rulebook': Rulebook,
  '/status': Status,
  '/you': You,
  '/practice': Practice,
  '*': Nowhere,
});
