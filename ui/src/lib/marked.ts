/** A piece of a message's text; what it is, where it is something that counts. */
export type Piece = { text: string; is?: 'code' | 'link' | 'name' | 'deadline' };

const MONTHS =
  'january february march april may june july august september october november december'.split(
    ' ',
  );
const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** The ways in which a day is mostly written, as patterns (common practice, no source). */
function days(iso: string): string[] {
  const at = new Date(iso);
  const [y, m, d] = [at.getUTCFullYear(), at.getUTCMonth(), at.getUTCDate()];
  const month = MONTHS[m]!;
  const named = `(?:${month}|${month.slice(0, 3)})\\.?`;
  const two = (n: number) => `0?${n}`;
  const full = (n: number) => String(n).padStart(2, '0');
  const time = '(?:[T ]\\d\\d:\\d\\d(?::\\d\\d)?)?(?: ?(?:UTC|GMT|Z))?';
  return [
    `${y}-${full(m + 1)}-${full(d)}${time}`,
    `${two(d)}(?:st|nd|rd|th|\\.)?\\s+${named}(?:\\s+${y})?`,
    `${named}\\s+${two(d)}(?:st|nd|rd|th)?(?:,?\\s+${y})?`,
    `${two(d)}\\.${two(m + 1)}\\.${y}`,
  ];
}

/**
 * A text with the places in it that count: codes as they are masked, links that approve or decline,
 * names that are held here, and the day until which an answer counts.
 */
export function marked(
  text: string,
  of: { links: string[]; names: string[]; deadline: string | null },
): Piece[] {
  const kinds: [NonNullable<Piece['is']>, string[]][] = [
    ['code', ['•{8}']],
    ['link', of.links.filter(Boolean).map(escaped)],
    ['deadline', of.deadline ? days(of.deadline) : []],
    ['name', of.names.map((n) => `(?<![\\w.-])${escaped(n)}(?![\\w-])`)],
  ];
  const some = kinds.filter(([, patterns]) => patterns.length);
  const all = new RegExp(some.map(([, p]) => `(${p.join('|')})`).join('|'), 'gi');
  const out: Piece[] = [];
  let behind = 0;
  for (const match of text.matchAll(all)) {
    const which = match.slice(1).findIndex((group) => group !== undefined);
    if (match.index > behind) out.push({ text: text.slice(behind, match.index) });
    out.push({ text: match[0], is: some[which]![0] });
    behind = match.index + match[0].length;
  }
  if (behind < text.length) out.push({ text: text.slice(behind) });
  return out;
}
