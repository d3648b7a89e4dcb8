/** The words of the language that the pages speak. */
export * as say from './en';
