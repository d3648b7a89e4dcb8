import { render } from '@testing-library/svelte';
import type { Component } from 'svelte';
import { vi } from 'vitest';
import { session } from '../../../ui/src/lib/session.svelte';
import Within from './Within.svelte';

export type Asked = {
  method: string;
  path: string;
  search: string;
  body: unknown;
};

// As the desk answers: whatever has a name, or names, has it in its own letters, too.
const lettered = (_: string, v: unknown) => {
  if (v === null || typeof v !== 'object' || 'unicode' in v) return v;
  return 'name' in v ? { unicode: v.name, ...v } : 'names' in v ? { unicode: v.names, ...v } : v;
};

/** Answers requests by “METHOD path”; what was asked is kept. A status other than 200 stands as [status, body].
 * What is in `late` (by path) is answered once its promise is kept. */
export function server(
  answers: Record<string, unknown>,
  late: Record<string, Promise<void>> = {},
): Asked[] {
  const asked: Asked[] = [];
  vi.stubGlobal('fetch', async (request: Request) => {
    const url = new URL(request.url, 'http://desk');
    const text = request.method === 'GET' ? '' : await request.text();
    asked.push({
      method: request.method,
      path: url.pathname,
      search: url.search,
      body: text ? JSON.parse(text) : undefined,
    });
    await late[url.pathname];
    const answer = answers[`${request.method} ${url.pathname}`];
    const given = typeof answer === 'function' ? (answer as (u: URL) => unknown)(url) : answer;
    const [status, body] = Array.isArray(given)
      ? given
      : [given === undefined ? 404 : 200, given ?? { detail: 'nothing' }];
    return new Response(JSON.stringify(body, lettered), {
      status,
      headers: { 'Content-Type': 'application/json' },
    });
  });
  return asked;
}

/** Somebody is signed in who may do these operations. */
export function signedIn(...may: string[]) {
  session.who = {
    signed_in: true,
    second_factor: false,
    email: 'ada@x.example',
    role: 'mover',
    now: '2027-03-01T08:00:00Z',
    csrf: 'token',
    practice: false,
    first_run: false,
    version: '0',
    may,
    views: {},
  };
}

export const show = (part: unknown, given: Record<string, unknown> = {}) =>
  render(Within, { props: { part: part as Component, given } });
