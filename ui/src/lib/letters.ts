/** A line on which the scripts took longer than this is not asked to wait for letters as well. */
const SLOW = 1500;
/** The longest that a page waits for its letters. */
const PATIENCE = 800;
const OURS = ['Atkinson Hyperlegible Next Variable', 'Atkinson Hyperlegible Mono Variable'];

/**
 * Our letters are there before the first word is, or they are left for the next page (font-display:
 * optional): so nothing jumps. On a quick line they are waited for.
 */
export async function letters(after = performance.now()): Promise<void> {
  if (after > SLOW) return; // they come later, behind what the view asks for
  const there = Promise.all(OURS.map((family) => document.fonts.load(`1em "${family}"`))).catch(
    () => [],
  );
  await Promise.race([there, new Promise((enough) => setTimeout(enough, PATIENCE))]);
}
