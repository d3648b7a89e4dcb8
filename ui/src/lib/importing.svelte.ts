import { api, ask, type Schemas } from './api';

export type Preview = Schemas['ImportPreview'];
export type Choices = Omit<Schemas['Import'], 'text'>;
type Kind = Preview['kinds'][number];

/** Those that several columns may hold together. */
const SEVERAL = ['name_servers', 'note'];
/** Milliseconds of rest after which what is typed is looked at. */
const REST = 350;

/**
 * What was pasted, what was chosen about it, and what would become of it; looked at anew after each
 * change, the last one last.
 */
export class Importing {
  text = $state('');
  choices = $state<Choices>({});
  seen = $state.raw<Preview>();
  error = $state<Error | null>(null);
  /** Is what is seen older than what was typed or chosen? */
  stale = $state(false);
  #waiting: ReturnType<typeof setTimeout> | undefined;
  #round = 0;

  /** Another text: what was chosen about the last one is let go, but for whose it is. */
  type(text: string) {
    this.text = text;
    const { account } = this.choices;
    this.choices = account ? { account } : {};
    this.#soon();
  }

  choose(given: Partial<Choices>) {
    this.choices = { ...this.choices, ...given };
    if (this.text.trim()) this.#soon(0);
  }

  /** What a column holds; of most kinds only one column can, and the one that was chosen does. */
  kind(column: number, kind: Kind) {
    const others = (k: Kind) => (k === kind && !SEVERAL.includes(String(k)) ? null : k);
    const kinds = (this.seen?.kinds ?? []).map((k, i) => (i === column ? kind : others(k)));
    this.choose({ kinds });
  }

  mend(place: number, column: number, text: string) {
    const others = (this.choices.mended ?? []).filter(
      (m) => m.place !== place || m.column !== column,
    );
    this.choose({ mended: [...others, { place, column, text }] });
  }

  leaveOut(place: number, out: boolean) {
    const others = (this.choices.left_out ?? []).filter((p) => p !== place);
    this.choose({ left_out: out ? [...others, place] : others });
  }

  /** Which account a registrar of the table is: its id, `new` or `out`. */
  account(given: string) {
    const known = this.seen?.registrars.find((r) => r.given === given)?.account;
    return this.choices.accounts?.[given] ?? known ?? 'new';
  }

  /** Everything as it is sent, also what stands as proposed. */
  get body(): Schemas['Import'] {
    const proposed = (this.seen?.registrars ?? []).map((r) => [r.given, this.account(r.given)]);
    const accounts = { ...Object.fromEntries(proposed), ...this.choices.accounts };
    return { text: this.text, ...this.choices, accounts };
  }

  get count() {
    return (this.seen?.counts.new ?? 0) + (this.seen?.counts.known ?? 0);
  }

  #soon(rest = REST) {
    clearTimeout(this.#waiting);
    this.stale = true;
    this.#waiting = setTimeout(() => void this.#look(), rest);
  }

  async #look() {
    const round = ++this.#round;
    const body = $state.snapshot({ text: this.text, ...this.choices });
    try {
      const seen = body.text.trim()
        ? await ask(api.POST('/api/names/preview', { body }))
        : undefined;
      if (round !== this.#round) return;

      this.seen = seen;
      this.error = null;
    } catch (e) {
      if (round === this.#round) this.error = e as Error;
    } finally {
      if (round === this.#round) this.stale = false;
    }
  }
}
