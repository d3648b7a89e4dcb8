import { cleanup } from '@testing-library/svelte';
import { afterEach, beforeEach, vi } from 'vitest';

// What jsdom lacks of a browser.
globalThis.ResizeObserver ??= class {
  observe() {}
  unobserve() {}
  disconnect() {}
} as unknown as typeof ResizeObserver;
window.matchMedia ??= ((media: string) => ({
  media,
  matches: false,
  addEventListener() {},
  removeEventListener() {},
})) as never;
Element.prototype.animate ??= (() => ({
  cancel() {},
  finished: Promise.resolve(),
})) as never;

const Real = globalThis.Request;
globalThis.Request = class extends Real {
  constructor(input: RequestInfo | URL, init?: RequestInit) {
    super(typeof input === 'string' ? new URL(input, 'http://desk').href : input, init);
  }
};

beforeEach(() => vi.useRealTimers());
afterEach(() => {
  cleanup();
  // Files share a window.
  history.replaceState(null, '', '/');
  localStorage.clear();
});
