import { describe, expect, it } from 'vitest';
import { staged } from '../../ui/src/lib/stages';
import { step } from './support/moves';

const of = (stage: string, id: string, phase: string, done_at: string | null = null) => ({
  ...step(id, [], 'registration'),
  stage,
  phase: phase as 'done',
  done_at,
});
const FIRST = '2027-03-01T08:00:00Z';
const LATER = '2027-03-01T09:00:00Z';

// steps of a move => [its stage, how it stands, how many are done, the one that was done last]
describe('the stages of a move', () => {
  it.each([
    [
      'under way, each stage as it stands',
      true,
      [
        of('Ordered', 'order', 'due'),
        of('Survey', 'keep', 'done', LATER),
        of('Survey', 'look', 'done', FIRST),
        of('Landed', 'landed', 'ahead'),
      ],
      [
        ['Survey', 'past', 2, 'keep'],
        ['Ordered', 'present', 0, undefined],
        ['Landed', 'ahead', 0, undefined],
      ],
    ],
    [
      'over, with what was never done',
      false,
      [of('Survey', 'keep', 'done', FIRST), of('Ordered', 'order', 'dropped')],
      [
        ['Survey', 'past', 1, 'keep'],
        ['Ordered', 'dropped', 0, undefined],
      ],
    ],
    [
      'only planned, and with a stage that is not known here',
      false,
      [of('Elsewhere', 'odd', 'ahead'), of('Survey', 'keep', 'ahead')],
      [
        ['Survey', 'ahead', 0, undefined],
        ['Elsewhere', 'ahead', 0, undefined],
      ],
    ],
  ])('%s', (_, open, steps, wanted) => {
    const found = staged(steps, open);
    expect(found.map((s) => [s.name, s.state, s.done, s.last?.id])).toEqual(wanted);
  });
});
