/** The desk's clock: read from the server, running on by itself in between. */
class Clock {
  now = $state(Date.now());
  runs = $state(true);
  #at = Date.now();
  #read = performance.now();

  set(iso: string, runs: boolean) {
    this.#at = Date.parse(iso);
    this.#read = performance.now();
    this.runs = runs;
    this.tick();
  }

  tick() {
    this.now = this.runs ? this.#at + (performance.now() - this.#read) : this.#at;
  }
}

export const clock = new Clock();
