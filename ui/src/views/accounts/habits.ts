import type { Schemas } from '../../lib/api';

/**
 * The habits of an account as the server declares them: how each is read into its field and written
 * from it. What a kind of value looks like in a field is said here, and nowhere what habits there
 * are.
 */
export type HabitField = Schemas['HabitField'];
type Texts = Record<string, string>;
type Held = Record<string, unknown>;

const parts = (text: string, by: RegExp) =>
  text
    .split(by)
    .map((t) => t.trim())
    .filter(Boolean);
const orNull = <T>(list: T[]) => (list.length ? list : null);
const yes = (value: unknown) => (value === true ? 'yes' : value === false ? 'no' : '');
const number = (text: string) => Number(text.replace(',', '.'));

interface Kind {
  show: (value: unknown) => string;
  read: (text: string) => unknown;
  /** What its field takes beside its label. */
  field?: Record<string, unknown>;
}
const plain: Kind = { show: (v) => String(v ?? ''), read: (t) => t || null };
const KINDS: Record<HabitField['kind'], Kind> = {
  text: plain,
  choice: plain,
  name: { ...plain, field: { mono: true, autocomplete: 'off' } },
  url: { ...plain, field: { type: 'url', mono: true } },
  email: { ...plain, field: { type: 'email', mono: true } },
  domain: { ...plain, field: { mono: true } },
  digits: { ...plain, field: { mono: true, pattern: '[0-9]{1,10}' } },
  code_form: { ...plain, field: { mono: true, placeholder: '6-64 a-z A-Z 0-9' } },
  yes: { show: yes, read: (t) => (t ? t === 'yes' : null) },
  flag: { show: yes, read: (t) => (t ? t === 'yes' : null) },
  list: {
    show: (v) => ((v ?? []) as string[]).join('; '),
    read: (t) => orNull(parts(t, /;/)),
  },
  suffixes: {
    show: (v) => ((v ?? []) as string[]).join(' '),
    read: (t) => orNull(parts(t, /[\s,]+/).map((s) => s.replace(/^\./, '').toLowerCase())),
    field: { mono: true },
  },
  minutes: {
    show: (v) => ((v ?? []) as number[]).map((s) => s / 60).join(', '),
    read: (t) => {
      const seconds = parts(t, /[\s,]+/).map((m) => Math.round(Number(m) * 60));
      return seconds.length === 3 && seconds.every(Number.isFinite) ? seconds : null;
    },
    field: { placeholder: '1, 10, 60', pattern: '[0-9., ]*' },
  },
  hours: {
    show: (v) => (v ? String((v as number) / 3600) : ''),
    read: (t) => (t ? Math.round(number(t) * 3600) : null),
    field: { inputmode: 'decimal', pattern: '[0-9.]*' },
  },
};

/** What the field of a habit takes. */
export const fieldOf = (habit: HabitField) => KINDS[habit.kind].field ?? {};

const member = (held: Held, { path, kind }: HabitField) => {
  const [head = '', last] = path;
  if (last === undefined) return held[head];
  const group = held[head] as Held | string[] | null | undefined;
  if (kind === 'flag') return group ? (group as string[]).includes(last) : null;
  return (group as Held | null | undefined)?.[last];
};

/** The texts of all habits, by id; a value that holds anyway is shown as nothing said. */
export function shown(habits: HabitField[], held: Held): Texts {
  return Object.fromEntries(
    habits.map((habit) => {
      const text = KINDS[habit.kind].show(member(held, habit));
      return [habit.id, text === habit.default ? '' : text];
    }),
  );
}

/** Members of a group that no field asks for: they stay as they are. */
function unasked(habits: HabitField[], held: unknown) {
  const asked = habits.map((h) => h.path.at(-1));
  return Object.entries((held ?? {}) as Held).filter(([key]) => !asked.includes(key));
}

function group(habits: HabitField[], texts: Texts, held: unknown) {
  if (habits.every((h) => h.kind === 'flag'))
    return orNull(habits.filter((h) => texts[h.id] === 'yes').map((h) => h.path.at(-1)));
  const given = habits.filter((h) => texts[h.id]);
  const lacks = habits.some((h) => h.required && !texts[h.id]);
  const rest = unasked(habits, held);
  if (lacks || (!given.length && !rest.length)) return null;
  const full = given.length > 0 && !['ways', 'aims'].includes(habits[0]?.path[0] ?? '');
  const kept = full ? habits : given;
  return Object.fromEntries([
    ...rest,
    ...kept.map((h) => [h.path.at(-1), KINDS[h.kind].read(texts[h.id] || (h.default ?? ''))]),
  ]);
}

/**
 * What the fields say, as the contract has it; a blank one is null. held: what was there before.
 */
export function read(habits: HabitField[], texts: Texts, held: Held = {}): Held {
  const heads = [...new Set(habits.map((h) => h.path[0] ?? ''))];
  return Object.fromEntries(
    heads.map((head) => {
      const own = habits.filter((h) => h.path[0] === head);
      const [only] = own;
      return own.length === 1 && only?.path.length === 1
        ? [head, KINDS[only.kind].read(texts[only.id] ?? '')]
        : [head, group(own, texts, held[head])];
    }),
  );
}
