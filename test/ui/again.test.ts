import { afterEach, describe, expect, it, vi } from 'vitest';
import { sent, whenAgain } from '../../ui/src/lib/api';

const wanting = () =>
  Response.json({ status: 403, detail: 'again', needs: 'password' }, { status: 403 });
const asked = () =>
  new Request('http://desk.example/api/me/tokens', { method: 'POST', body: '{"title":"t"}' });

describe('the password once more', () => {
  afterEach(() => vi.unstubAllGlobals());

  function answering(...answers: Response[]) {
    const bodies: string[] = [];
    vi.stubGlobal('fetch', async (request: Request) => {
      bodies.push(await request.text());
      return answers.shift()!;
    });
    return bodies;
  }

  it('is asked for, and what was asked is sent again as it was', async () => {
    const bodies = answering(wanting(), Response.json({ token: 'x' }));
    whenAgain(async () => true);
    expect(await (await sent(asked())).json()).toEqual({ token: 'x' });
    expect(bodies).toEqual(['{"title":"t"}', '{"title":"t"}']);
  });

  it('is not given: the refusal stands', async () => {
    const bodies = answering(wanting());
    whenAgain(async () => false);
    expect((await sent(asked())).status).toBe(403);
    expect(bodies).toHaveLength(1);
  });

  it('is not asked for where a role is missing', async () => {
    const confirm = vi.fn(async () => true);
    whenAgain(confirm);
    answering(Response.json({ status: 403, detail: 'role' }, { status: 403 }));
    expect((await sent(asked())).status).toBe(403);
    expect(confirm).not.toHaveBeenCalled();
  });
});
