import type { Block, Step } from './api';

/** A step's place on the track: x and widths in pixels, its rail and lane. */
export type Placed = {
  step: Step;
  block: Block;
  no: number;
  x: number;
  least: number;
  usual: number;
  width: number;
  lane: number;
  /** How far an active step has come, in pixels; null where it is ahead or done. */
  reached: number | null;
};
export type Tie = { x1: number; lane1: number; x2: number; lane2: number };

const NARROWEST = 30;
/** Seconds → pixels. Steps last from moments to days, so length grows with the logarithm. */
const width = (seconds: number) => NARROWEST + 14 * Math.log2(1 + Math.max(0, seconds) / 240);
const seconds = (from?: string, to?: string) => (from && to ? (Date.parse(to) - Date.parse(from)) / 1000 : 0);

/** Lays blocks out along their dependencies: each begins where the last of its needs ends. */
export function lay(steps: Step[], blocks: Block[], now: number): { placed: Placed[]; ties: Tie[]; wide: number } {
  const ends = new Map<string, Placed>();
  const placed: Placed[] = [];
  steps.forEach((step, i) => {
    const block = blocks.find((b) => b.id === step.id);
    if (!block) return;
    const needs = step.needs.map((id) => ends.get(id)).filter((p) => p !== undefined);
    const x = Math.max(0, ...needs.map((p) => p.x + p.width));
    const [least, usual, most] = [0, 1, 2].map((k) => width(seconds(block.starts[k], block.ends[k]))) as [
      number,
      number,
      number,
    ];
    const begun = !block.past && step.since !== null && step.phase !== 'ahead' && step.phase !== 'due';
    const reached = begun ? Math.min(most, width((now - Date.parse(step.since!)) / 1000) - NARROWEST) : null;
    const base = step.rail === 'registration' ? 0 : 2;
    const busy = placed.some((p) => p.lane === base && p.x < x + most && x < p.x + p.width);
    const here = { step, block, no: i + 1, x, least, usual, width: most, lane: busy ? base + 1 : base, reached };
    ends.set(step.id, here);
    placed.push(here);
  });
  const ties = placed.flatMap((to) =>
    to.step.needs
      .map((id) => ends.get(id))
      .filter((from) => from !== undefined && from.lane !== to.lane)
      .map((from) => ({ x1: from!.x + from!.width, lane1: from!.lane, x2: to.x, lane2: to.lane })),
  );
  return { placed, ties, wide: Math.max(0, ...placed.map((p) => p.x + p.width)) };
}
