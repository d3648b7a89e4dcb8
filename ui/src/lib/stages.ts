import type { Step } from './api';

/** The stages of a move in their order; each step says in which it stands. */
const ORDER = ['Survey', 'Make ready', 'Ordered', 'Release', 'Landed', 'Settled'];

export type Stage = {
  name: string;
  steps: Step[];
  /** dropped: over, and nothing of it was done. */
  state: 'past' | 'present' | 'ahead' | 'dropped';
  /** How many of its steps are done. */
  done: number;
  /** The step of it that was done last, and when. */
  last: Step | undefined;
  over: string | undefined;
};

const over = (s: Step) => s.phase === 'done' || s.phase === 'dropped';

/**
 * Steps by stage, those stages alone that have some. The present one is the first in which
 * something is left, of a move that is under way.
 */
export function staged(steps: Step[], open: boolean): Stage[] {
  const known = [...ORDER, ...new Set(steps.map((s) => s.stage).filter((s) => !ORDER.includes(s)))];
  const stages = known
    .map((name) => ({ name, steps: steps.filter((s) => s.stage === name) }))
    .filter((s) => s.steps.length > 0);
  const present = open ? stages.findIndex((s) => !s.steps.every(over)) : -1;
  return stages.map(({ name, steps: own }, i) => {
    const dones = own.filter((s) => s.done_at).sort((a, b) => (a.done_at! < b.done_at! ? -1 : 1));
    const last = dones.at(-1);
    const ended = last ? 'past' : 'dropped';
    return {
      name,
      steps: own,
      state: i === present ? 'present' : own.every(over) ? ended : 'ahead',
      done: own.filter((s) => s.phase === 'done').length,
      last,
      over: last?.done_at ?? undefined,
    };
  });
}
