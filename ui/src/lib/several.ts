/** What became of one act that was asked for many names, one after the other. */
export interface Outcome {
  done: string[];
  refused: { name: string; says: string }[];
}

/**
 * Does the same for each name, in order; one that is refused holds none of the others up. far:
 * told how many are through.
 */
export async function forEach(
  names: string[],
  act: (name: string) => Promise<unknown>,
  far: (through: number) => void,
): Promise<Outcome> {
  const out: Outcome = { done: [], refused: [] };
  for (const name of names) {
    try {
      await act(name);
      out.done.push(name);
    } catch (e) {
      out.refused.push({ name, says: e instanceof Error ? e.message : String(e) });
    }
    far(out.done.length + out.refused.length);
  }
  return out;
}
