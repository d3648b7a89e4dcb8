import type { Schemas } from './api';

export type Row = Schemas['AxisRow'];
export type Block = Schemas['AxisBlock'];
export const DAY = 86_400_000;
/** Pixels a day. */
export const ZOOMS = { day: 120, week: 36, month: 9 } as const;
export type Zoom = keyof typeof ZOOMS;

/**
 * From when to when the axis goes: from the earliest begin to the latest end, with room to both
 * sides.
 */
export function reach(rows: Row[], now: number): { from: number; to: number } {
  const begins = rows.map((r) => Date.parse(r.started_at));
  const ends = rows.flatMap((r) =>
    [...r.finish, ...(r.ends ? [r.ends] : [])].map((t) => Date.parse(t)),
  );
  const from = Math.min(now, ...begins) - DAY / 2;
  const to = Math.max(now + 3 * DAY, ...ends) + DAY;
  return { from: Math.floor(from / DAY) * DAY, to: Math.ceil(to / DAY) * DAY };
}

/** Instants of marks on the axis: each day, each Monday, or each first of a month (UTC). */
export function marks(from: number, to: number, zoom: Zoom): number[] {
  const days = Array.from({ length: Math.round((to - from) / DAY) }, (_, i) => from + i * DAY);
  if (zoom === 'day') return days;
  if (zoom === 'week') return days.filter((d) => new Date(d).getUTCDay() === 1);
  return days.filter((d) => new Date(d).getUTCDate() === 1);
}

/**
 * Blocks of one rail as stretches that can be seen: what is done in one, what is under way and
 * ahead one by one.
 */
export function stretches(blocks: Block[], rail: Block['rail']) {
  const mine = blocks.filter((b) => b.rail === rail);
  const past = mine.filter((b) => b.past);
  const begun = past.length
    ? [
        {
          kind: 'past',
          from: Math.min(...past.map((b) => Date.parse(b.starts))),
          usual: Math.max(...past.map((b) => Date.parse(b.ends[1]!))),
          to: Math.max(...past.map((b) => Date.parse(b.ends[1]!))),
          title: past.at(-1)!.title,
        },
      ]
    : [];
  const ahead = mine
    .filter((b) => !b.past)
    .map((b) => ({
      kind: b.phase === 'stuck' ? 'stuck' : b.turn ? 'active' : 'ahead',
      from: Date.parse(b.starts),
      usual: Date.parse(b.ends[1]!),
      to: Date.parse(b.ends[2]!),
      title: b.title,
    }))
    .filter((s) => s.to > s.from);
  return [...ahead, ...begun];
}

const escaped = (text: string) => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);
const ROW = 30;
const LEFT = 240;
const TOP = 24;

/** The whole picture as an SVG document of its own, in the colours of a light page. */
export function picture(
  rows: Row[],
  tracks: Map<number, Block[]>,
  now: number,
  zoom: Zoom,
  words: { title: string; mark: (t: number) => string },
): string {
  const { from, to } = reach(rows, now);
  const px = ZOOMS[zoom] / DAY;
  const X = (t: number) => LEFT + (t - from) * px;
  const wide = Math.ceil(X(to) + 10);
  const high = TOP + rows.length * ROW + 8;
  const out: string[] = [];
  for (const m of marks(from, to, zoom)) {
    out.push(`<path d="M${X(m)} ${TOP - 6}V${high}" stroke="#c5d1cc"/>`);
    out.push(`<text x="${X(m) + 3}" y="12" fill="#4b5b54">${escaped(words.mark(m))}</text>`);
  }
  rows.forEach((row, i) => {
    const y = TOP + i * ROW;
    out.push(`<text x="6" y="${y + 18}" fill="#15201b">${escaped(row.unicode)}</text>`);
    (['registration', 'records'] as const).forEach((rail, k) => {
      for (const s of stretches(tracks.get(row.id) ?? [], rail)) {
        const fill = { past: '#2c5a43', active: '#c58a1c', stuck: '#8f1f31' }[s.kind] ?? '#dde5e9';
        const width = Math.max(1.5, (s.to - s.from) * px);
        out.push(
          `<rect x="${X(s.from)}" y="${y + 4 + k * 12}" width="${width}" height="9" rx="2" fill="${fill}">` +
            `<title>${escaped(s.title)}</title></rect>`,
        );
      }
    });
    if (row.ends) {
      const x = X(Date.parse(row.ends));
      out.push(
        `<path d="M${x} ${y + 2}V${y + 28}" stroke="#8f1f31" stroke-width="2" stroke-dasharray="3 2"/>`,
      );
    }
  });
  out.push(`<path d="M${X(now)} ${TOP - 8}V${high}" stroke="#8f1f31" stroke-width="2"/>`);
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${wide}" height="${high}" viewBox="0 0 ${wide} ${high}" ` +
    `font-family="sans-serif" font-size="12"><title>${escaped(words.title)}</title>` +
    `<rect width="${wide}" height="${high}" fill="#ffffff"/>${out.join('')}</svg>`
  );
}

/** Hands a text out as a file. */
export function save(name: string, data: Blob) {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(data);
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}

/** An SVG document as a PNG. */
export async function png(svg: string): Promise<Blob> {
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = image.width;
  canvas.height = image.height;
  canvas.getContext('2d')!.drawImage(image, 0, 0);
  return new Promise((done, failed) =>
    canvas.toBlob((b) => (b ? done(b) : failed(new Error('no picture')))),
  );
}
