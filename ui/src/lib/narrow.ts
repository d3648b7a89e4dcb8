import { MediaQuery } from 'svelte/reactivity';

/** Is the window so narrow that the bar folds and a row of the list takes two lines? */
export const narrow = new MediaQuery('max-width: 760px');
