import type { Schemas } from './api';
import { say } from './say';

/** A card for all that is to be done by hand in one place. */
export type Gathered = { sentence: string; more: string; act: string };

const names = (n: number) => (n === 1 ? say.gathered.oneName : say.gathered.names(n));

/** Of these moves alone (all, where undefined); what belongs to no one move stays. */
export function ofMoves(
  hands: Schemas['Hands'] | undefined,
  moves: Set<number> | undefined,
): Schemas['Hands'] | undefined {
  if (!hands || !moves) return hands;
  const places = hands.places.map((place) => ({
    ...place,
    items: place.items.filter((i) => moves.has(i.move)),
  }));
  const due = hands.consents?.moves.filter((m) => moves.has(m.id)) ?? [];
  return {
    ...hands,
    places: places.filter((place) => place.items.length),
    consents: hands.consents && due.length ? { ...hands.consents, moves: due } : null,
  };
}

/** What is to be done by hand, one card a place instead of one a name; the most pressing first. */
export function gathered(hands: Schemas['Hands'] | undefined): Gathered[] {
  if (!hands) return [];
  const cards: Gathered[] = [];
  if (hands.too_long.length)
    cards.push({
      sentence: say.gathered.privacyBack(names(hands.too_long.length)),
      more: say.gathered.publicTooLong(hands.too_long.slice(0, 5).join(', ')),
      act: say.gathered.openTask,
    });
  const consents = hands.consents?.moves.length ?? 0;
  if (consents)
    cards.push({
      sentence: say.gathered.recordConsentOf(names(consents)),
      more: '',
      act: say.gathered.openTask,
    });
  for (const l of hands.overdue)
    cards.push({
      sentence: say.gathered.remindTheLetterAboutIs(l.recipient, names(l.names.length)),
      more: l.subject,
      act: say.gathered.remind,
    });
  for (const place of hands.places) {
    const open = place.items.filter((i) => !i.said_at);
    if (!open.length) continue;
    const letter = place.letter_for.length;
    cards.push({
      sentence: letter
        ? say.gathered.writeTo(place.title ?? '', names(letter))
        : open.length === 1
          ? open[0]!.title
          : say.gathered.tasksAt(open.length, place.title ?? ''),
      more: open.length === 1 ? '' : [...new Set(open.map((i) => i.title))].slice(0, 2).join('; '),
      act: letter ? say.gathered.writeTheLetter : say.gathered.openTask,
    });
  }
  if (hands.leavings.length) {
    const kinds = hands.leavings.flatMap((place) => place.kinds);
    const count = new Set(kinds.flatMap((k) => k.moves.map((m) => m.id))).size;
    const where = hands.leavings.map((place) => place.title);
    const at = where.length > 1 ? say.gathered.registrars(where.length) : where[0]!;
    cards.push({
      sentence: say.gathered.leftAt(at, names(count)),
      more: '',
      act: say.gathered.openTask,
    });
  }
  return cards;
}
