import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { arrived } from '../../ui/src/lib/api';

const later = (place: string) =>
  new Response(JSON.stringify({ later: place }), { status: 202, headers: { Location: place } });
const asked = () => new Request('http://desk.example/api/names/a.example/look', { method: 'POST' });

describe('an answer that comes later', () => {
  beforeEach(() => void vi.useFakeTimers());
  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });

  /** Answers one request after the other; returns what was asked for. */
  function answering(...answers: (Response | Error)[]) {
    const paths: string[] = [];
    vi.stubGlobal('fetch', async (request: Request) => {
      paths.push(`${request.method} ${new URL(request.url).pathname}`);
      const answer = answers.shift()!;
      if (answer instanceof Error) throw answer;
      return answer;
    });
    return paths;
  }

  it('is asked for where it will be until it is there', async () => {
    const place = 'http://desk.example/api/later/j1';
    const paths = answering(later(place), later(place), Response.json({ name: 'a.example' }));
    const answer = arrived(asked());
    await vi.runAllTimersAsync();
    expect(await (await answer).json()).toEqual({ name: 'a.example' });
    expect(paths).toEqual([
      'POST /api/names/a.example/look',
      'GET /api/later/j1',
      'GET /api/later/j1',
    ]);
  });

  it('is the refusal where it was refused; what says how far it is stays as it is', async () => {
    const refusal = new Response('{"detail":"no"}', { status: 409 });
    answering(later('http://desk.example/api/later/j2'), refusal);
    const answer = arrived(asked());
    await vi.runAllTimersAsync();
    expect((await answer).status).toBe(409);
    answering(Response.json({ working: { done: 1, of: 2 }, job: 'j' }, { status: 202 }));
    expect((await arrived(asked())).status).toBe(202);
  });

  it('fails where asking fails', async () => {
    answering(later('http://desk.example/api/later/j3'), new Error('away'));
    const said = expect(arrived(asked())).rejects.toThrow('away');
    await vi.runAllTimersAsync();
    await said;
  });
});
