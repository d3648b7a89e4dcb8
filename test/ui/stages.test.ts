import { tick } from 'svelte';
import { describe, expect, it } from 'vitest';
import { openWhile } from '../../ui/src/lib/fold';
import { staged } from '../../ui/src/lib/stages';
import { step } from './support/moves';
import { show } from './support/server';

const { default: Stages } = await import('../../ui/src/views/moves/Stages.svelte');

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

describe('a fold', () => {
  const steps = (phase: string) => [of('Survey', 'look', phase), of('Landed', 'landed', 'ahead')];
  const open = () => [...document.querySelectorAll('details')].map((d) => d.open);

  it('stays as a person left it, until what opens it changes', async () => {
    const view = show(Stages, { steps: steps('due'), open: true });
    expect(open()).toEqual([true, false]);
    document.querySelectorAll('details').forEach((d) => (d.open = !d.open));
    await view.rerender({ given: { steps: steps('due'), open: true } });
    expect(open()).toEqual([false, true]);
    await view.rerender({ given: { steps: steps('done'), open: true } });
    await tick();
    expect(open()).toEqual([false, true]);
  });

  it('is open while what opens it is so', () => {
    const fold = document.createElement('details');
    let late = false;
    const attach = openWhile(() => late);
    const seen = [false, true, true, false].map((now) => {
      late = now;
      attach(fold);
      return fold.open;
    });
    expect(seen).toEqual([false, true, true, false]);
  });
});
