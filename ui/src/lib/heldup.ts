/**
 * What is said of something that is held up, in two: why, and what to do about it, which is its
 * last sentence; of a single sentence all is why.
 */
export function inTwo(says: string): { why: string; act: string | undefined } {
  const sentences = says.split(/(?<=[.?])\s+(?=\p{Lu})/u);
  if (sentences.length < 2) return { why: says, act: undefined };
  return { why: sentences.slice(0, -1).join(' '), act: sentences.at(-1) };
}
