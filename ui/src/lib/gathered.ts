import type { Schemas } from './api';
import { say } from './say';

/** A card for all that is to be done by hand in one place. */
export type Gathered = { sentence: string; more: string; act: string };

const names = (n: number) => (n === 1 ? say.gathered.oneName : say.gathered.names(n));

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
      more: say.gathered.consentWhy,
      act: say.gathered.recordIt,
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
        : say.gathered.tasksAt(open.length, place.title ?? ''),
      more: [...new Set(open.map((i) => i.title))].slice(0, 3).join('; '),
      act: letter ? say.gathered.writeTheLetter : say.gathered.openTask,
    });
  }
  for (const place of hands.leavings) {
    const count = new Set(place.kinds.flatMap((k) => k.moves.map((m) => m.id))).size;
    cards.push({
      sentence: say.gathered.leftAt(place.title, names(count)),
      more: place.kinds
        .map((k) => k.title)
        .slice(0, 3)
        .join('; '),
      act: say.gathered.openTask,
    });
  }
  return cards;
}
