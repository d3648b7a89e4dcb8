/** What may stand within a sentence. */
export type V = string | number | null | undefined;
