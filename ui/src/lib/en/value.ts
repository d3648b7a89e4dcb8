/** What may stand within a sentence. */
export type V = string | number | null | undefined;

const COUNTED = 'No One Two Three Four Five Six Seven Eight Nine Ten Eleven Twelve'.split(' ');

/** A number at the head of a sentence: in words as far as twelve. */
export const counted = (n: number) => COUNTED[n] ?? String(n);
