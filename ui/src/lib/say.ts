import { en } from './en';

/** The words of the language that the pages speak. */
export const say = en;
