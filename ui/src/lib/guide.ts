import pages from 'virtual:guide-index';

/** The pages of docs/guide/, as search finds them. */
export const guide = pages;
/** Their contents, fetched when somebody reads them. */
export const contents = () => import('virtual:guide').then((module) => module.default);
