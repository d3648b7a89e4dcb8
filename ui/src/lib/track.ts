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
/** A block is never narrower than the widest of these that fits; what is next, than its name. */
const NARROWEST = [80, 66, 56, 44, 32, 20] as const;
/** Roughly as wide as letters of the notes’ size are. */
export const wordWidth = (text: string) => text.length * 6.7;
const least = ({ step, block }: Span, narrowest: number) =>
  !block.past && (step.turn === 'yours' || step.phase !== 'ahead')
    ? Math.max(narrowest, wordWidth(step.short) + 12)
    : narrowest;
/** A wait in which nothing begins or ends is folded when it is longer, and then drawn so wide. */
const FOLD = 1.25 * DAY;
const FOLDED = 92;
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

  constructor(all: Span[], now: number, scale: number, narrowest: number) {
    const last = Math.max(now, ...all.map((s) => Date.parse(s.block.ends[2]!)));
    this.at = [...new Set([now, last, ...all.flatMap((s) => [s.from, s.to])])].sort(
      (a, b) => a - b,
    );
    const gaps = this.at.slice(1).map((t, i) => t - this.at[i]!);
    this.folded = gaps.map((ms) => ms > FOLD && (ms / DAY) * scale > FOLDED);
    this.px = gaps.map((ms, i) => (this.folded[i] ? FOLDED : (ms / DAY) * scale));
    for (const s of all) {
      const [a, b] = [this.at.indexOf(s.from), this.at.indexOf(s.to)];
      const lacks = least(s, narrowest) - this.px.slice(a, b).reduce((sum, px) => sum + px, 0);
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

/** Steps beside each other on one rail that are drawn as one: all done, or all still to come. */
export type Run = { steps: Placed[]; kind: string; lane: number; x: number; width: number };

const kindOf = (p: Placed) =>
  p.block.past ? 'past' : p.step.phase === 'ahead' && p.step.turn !== 'yours' ? 'ahead' : p.step.id;

/** Joins neighbours of one kind, unless a fold lies between them. */
export function runs({ placed, folds }: Pick<Laid, 'placed' | 'folds'>): Run[] {
  const out: Run[] = [];
  const sorted = [...placed].sort((a, b) => a.lane - b.lane || a.x - b.x);
  for (const p of sorted) {
    const last = out.at(-1);
    const end = last && last.x + last.width;
    const joins =
      last?.lane === p.lane &&
      last.kind === kindOf(p) &&
      p.x - end! < 1 &&
      !folds.some((f) => f.x >= last.x - 1 && f.x < p.x);
    if (!joins) {
      out.push({ steps: [p], kind: kindOf(p), lane: p.lane, x: p.x, width: p.width });
      continue;
    }
    last.steps.push(p);
    last.width = p.x + p.width - last.x;
  }
  return out;
}

/** The names of a run’s steps as far as there is room, the last ones rather than the first. */
export function nameOf(run: Run): string {
  const names = run.steps.map((p) => p.step.short);
  const tails = names.map((_, n) => (n ? '… ' : '') + names.slice(n).join(' · '));
  return [...tails, names.at(-1)!].find((text) => wordWidth(text) + 10 <= run.width) ?? '';
}

/** The axis with the widest blocks, and of those the widest days, that there is room for. */
function fitting(all: Span[], now: number, room: number): Axis {
  for (const narrowest of NARROWEST)
    for (const scale of SCALES) {
      const axis = new Axis(all, now, scale, narrowest);
      if (axis.wide <= room) return axis;
    }
  return new Axis(all, now, SCALES.at(-1)!, NARROWEST.at(-1)!);
}

/** Lays the steps out on one axis of time, as wide as there is room. */
export function lay(steps: Step[], blocks: Block[], now: number, room = 900): Laid {
  const all = spans(steps, blocks);
  if (!all.length) return { placed: [], ties: [], wide: 0, now: 0, folds: [], days: [] };
  const axis = fitting(all, now, room);
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
