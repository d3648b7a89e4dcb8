import pages from 'virtual:guide-index';
import { session } from './session.svelte';

/**
 * The pages of docs/guide/, as search finds them; of the practice world only where there is one.
 */
export const guide = () => pages.filter((page) => page.id !== 'practice' || session.who?.practice);
/** Their contents, fetched when somebody reads them. */
export const contents = () => import('virtual:guide').then((module) => module.default);
