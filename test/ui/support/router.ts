import { vi } from 'vitest';

/** Stands in for the router: paths are filled in, and the address bar answers. Imported before the views. */
vi.mock('../../../ui/src/router', () => ({
  p: (path: string, given?: { params?: Record<string, string> }) =>
    path.replace(/:(\w+)/g, (_, key) => given?.params?.[key] ?? key),
  navigate: vi.fn(),
  isActive: () => true,
  route: { params: { name: 'ferry.example' }, pathname: '/moves' },
}));

vi.mock('sv-router', () => ({
  isActiveLink: () => () => undefined,
  searchParams: {
    get: (key: string) => new URLSearchParams(location.search).get(key),
    set: vi.fn(),
    delete: vi.fn(),
    toString: () => location.search.slice(1),
  },
}));
