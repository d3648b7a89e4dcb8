import type { Block, Step } from './api';
import { dayOf, later } from './days';

/**
 * A step’s place on the track, in pixels: from its start to its usual end; range: from its least to
 * its latest end.
 */
export type Placed = {
  step: Step;
  block: Block;
  no: number;
  x: number;
  width: number;
  range: [number, number] | null;
  lane: number;
};
export type Tie = { x1: number; lane1: number; x2: number; lane2: number };
export type Laid = {
  placed: Placed[];
  ties: Tie[];
  wide: number;
  /** Where the present instant lies. */
  now: number;
  /** Long waits that are drawn short. */
  folds: { x: number; width: number; ms: number }[];
  /** Midnights here, where they are not folded away. */
  days: { x: number; day: string }[];
};

const DAY = 86_400_000;
const HOUR = DAY / 24;
/** A block is never narrower, so that its number can be read. */
const NARROWEST = 20;
/** A wait in which nothing begins or ends is folded when it is longer, and then drawn so wide. */
const FOLD = 1.25 * DAY;
const FOLDED = 64;
/** Pixels a day: the widest that fits is taken. */
const SCALES = [
  23040, 11520, 5760, 2880, 1440, 960, 720, 480, 320, 240, 180, 140, 110, 90, 70, 50, 36,
];

type Span = { step: Step; block: Block; no: number; from: number; to: number };

/**
 * Steps with their instants: one begins no earlier than its needs end; those of one instant keep
 * their order.
 */
function spans(steps: Step[], blocks: Block[]): Span[] {
  const ends = new Map<string, number>();
  const out: Span[] = [];
  steps.forEach((step, i) => {
    const block = blocks.find((b) => b.id === step.id);
    if (!block) return;
    const needed = Math.max(-Infinity, ...step.needs.map((id) => ends.get(id) ?? -Infinity));
    const from = Math.max(Date.parse(block.starts[1]!), needed);
    const to = Math.max(Date.parse(block.ends[1]!), from) + 1;
    ends.set(step.id, to);
    out.push({ step, block, no: i + 1, from, to });
  });
  return out;
}

/** Instants → pixels: linear by day, long waits folded, short blocks wide enough to be read. */
class Axis {
  readonly at: number[];
  readonly px: number[];
  readonly folded: boolean[];
  readonly x: number[] = [0];

  constructor(all: Span[], now: number, scale: number) {
    const last = Math.max(now, ...all.map((s) => Date.parse(s.block.ends[2]!)));
    this.at = [...new Set([now, last, ...all.flatMap((s) => [s.from, s.to])])].sort(
      (a, b) => a - b,
    );
    const gaps = this.at.slice(1).map((t, i) => t - this.at[i]!);
    this.folded = gaps.map((ms) => ms > FOLD && (ms / DAY) * scale > FOLDED);
    this.px = gaps.map((ms, i) => (this.folded[i] ? FOLDED : (ms / DAY) * scale));
    for (const s of all) {
      const [a, b] = [this.at.indexOf(s.from), this.at.indexOf(s.to)];
      const lacks = NARROWEST - this.px.slice(a, b).reduce((sum, px) => sum + px, 0);
      if (lacks > 0) this.px[b - 1]! += lacks;
    }
    for (const px of this.px) this.x.push(this.x.at(-1)! + px);
  }

  of(t: number): number {
    const i = this.at.findIndex((edge) => edge >= t);
    if (i < 0) return this.x.at(-1)!;
    if (i === 0 || this.at[i] === t) return this.x[i]!;
    const share = (t - this.at[i - 1]!) / (this.at[i]! - this.at[i - 1]!);
    return this.x[i - 1]! + share * this.px[i - 1]!;
  }

  get wide() {
    return this.x.at(-1)!;
  }

  get folds() {
    return this.folded.flatMap((is, i) =>
      is ? [{ x: this.x[i]!, width: this.px[i]!, ms: this.at[i + 1]! - this.at[i]! }] : [],
    );
  }

  get days() {
    const out: { x: number; day: string }[] = [];
    const [first, end] = [this.at[0]!, this.at.at(-1)!];
    for (let day = later(dayOf(first), 1); ; day = later(day, 1)) {
      const [y, m, d] = day.split('-').map(Number) as [number, number, number];
      const t = new Date(y, m - 1, d).getTime();
      if (t > end) return out;
      const i = this.at.findIndex((edge) => edge > t) - 1;
      if (i >= 0 && !this.folded[i]) out.push({ x: this.of(t), day });
    }
  }
}

/** Lays the steps out on one axis of time, as wide as there is room. */
export function lay(steps: Step[], blocks: Block[], now: number, room = 900): Laid {
  const all = spans(steps, blocks);
  if (!all.length) return { placed: [], ties: [], wide: 0, now: 0, folds: [], days: [] };
  const fitting = SCALES.map((scale) => new Axis(all, now, scale)).find((a) => a.wide <= room);
  const axis = fitting ?? new Axis(all, now, SCALES.at(-1)!);
  const placed: Placed[] = [];
  for (const { step, block, no, from, to } of all) {
    const [x, end] = [axis.of(from), axis.of(to)];
    const base = step.rail === 'registration' ? 0 : 2;
    const busy = placed.some((p) => p.lane === base && p.x < end - 0.5 && x < p.x + p.width - 0.5);
    const [least, most] = [block.ends[0]!, block.ends[2]!].map((t) =>
      axis.of(Math.max(from, Date.parse(t))),
    );
    const wide = Date.parse(block.ends[2]!) - Date.parse(block.ends[0]!) > HOUR / 4;
    const range: Placed['range'] = block.past || !wide ? null : [least!, most!];
    placed.push({ step, block, no, x, width: end - x, range, lane: busy ? base + 1 : base });
  }
  const by = new Map(placed.map((p) => [p.step.id, p]));
  const ties = placed.flatMap((to) =>
    to.step.needs
      .map((id) => by.get(id))
      .filter((from) => from !== undefined && from.lane !== to.lane)
      .map((from) => ({ x1: from!.x + from!.width, lane1: from!.lane, x2: to.x, lane2: to.lane })),
  );
  // What is over lies behind the present instant, however wide it is drawn.
  const present = Math.max(now, ...all.filter((s) => s.block.past).map((s) => s.to));
  return {
    placed,
    ties,
    wide: axis.wide,
    now: axis.of(present),
    folds: axis.folds,
    days: axis.days,
  };
}
