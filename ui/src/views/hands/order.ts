import type { MoveSheet, Schemas, Step } from '../../lib/api';

/** The order of one move as an act by hand, for the same panel as many orders at one place. */
export const orderItem = (move: MoveSheet, step: Step): Schemas['HandItem'] => ({
  move: move.id,
  name: move.name,
  unicode: move.unicode,
  step: step.id,
  title: step.title,
  proof: step.proof,
  phase: step.phase,
  says: step.says,
  since: step.since,
  said_at: step.said_at ?? null,
  letter: false,
  hand: step.hand!,
});
