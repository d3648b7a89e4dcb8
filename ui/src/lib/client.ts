import { QueryClient } from '@tanstack/svelte-query';

/**
 * Asks the server and keeps its answers. Every change is told to whoever shows one: told only of
 * the properties that were read so far, a part of a view that reads a property later would read it
 * from an older result.
 */
export const newClient = (more: { retry?: number | false } = {}) =>
  new QueryClient({
    defaultOptions: { queries: { retry: 1, staleTime: 1000, notifyOnChangeProps: 'all', ...more } },
  });
