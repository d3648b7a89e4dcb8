import { vi } from 'vitest';

/** Stands in for the router (vitest.config.ts puts it there): paths are filled in. */
export const p = (path: string, given?: { params?: Record<string, string> }) =>
  path.replace(/:(\w+)/g, (_, key) => given?.params?.[key] ?? key);
export const navigate = vi.fn();
export const isActive = () => true;
export const route = { params: { name: 'ferry.example' }, pathname: '/moves' };

/** What the views take from the router’s package: the address bar answers. */
export const isActiveLink = () => () => undefined;
export const searchParams = {
  get: (key: string) => new URLSearchParams(location.search).get(key),
  set: vi.fn(),
  delete: vi.fn(),
  toString: () => location.search.slice(1),
};
