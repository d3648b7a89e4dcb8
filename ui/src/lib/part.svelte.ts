/** So many rows of a long list stand on a page at first, and come with each press for more. */
export const PART = 40;

class Part<T> {
  #upto = $state(0);
  readonly #all: () => T[];
  constructor(all: () => T[], first: number) {
    this.#all = all;
    this.#upto = first;
  }
  get shown() {
    return this.#all().slice(0, this.#upto);
  }
  get left() {
    return Math.max(0, this.#all().length - this.#upto);
  }
  more = () => {
    this.#upto += 4 * PART;
  };
}

/** A long list in parts: what is shown of it, how many are left, and more. */
export const inParts = <T>(all: () => T[], first = PART) => new Part(all, first);
