import { fireEvent, screen, waitFor } from '@testing-library/svelte';
import { beforeEach, describe, expect, it } from 'vitest';
import { createRawSnippet } from 'svelte';
import { server, show, signedIn } from './support/server';
import { at, block, step } from './support/moves';
import { guide } from '../../ui/src/lib/guide';
import { session } from '../../ui/src/lib/session.svelte';

const { default: Desk } = await import('../../ui/src/views/desk/Desk.svelte');
const { default: HandPanel } = await import('../../ui/src/views/hands/HandPanel.svelte');
const { default: Leave } = await import('../../ui/src/views/moves/Leave.svelte');
const { default: Moves } = await import('../../ui/src/views/moves/Moves.svelte');
const { default: NameLine } = await import('../../ui/src/views/names/NameLine.svelte');
const { default: Post } = await import('../../ui/src/views/post/Post.svelte');
const { default: Journal } = await import('../../ui/src/views/moves/Journal.svelte');

const amount = (minor: number, currency = 'EUR') => ({ minor, currency });
const nothing = createRawSnippet(() => ({ render: () => '<i></i>' }));

beforeEach(() => signedIn());

describe('the head of the desk', () => {
  const lanes = { yours: [], theirs: [], desk: [], clock: [] };
  const empty = { now: at(0), strays: [], choices: [], batches: [], lanes, changes: [], ended: [] };
  const hands = {
    places: [],
    consents: null,
    too_long: ['ferry.example'],
    overdue: [],
    leavings: [],
    letters: [],
  };

  it.each([
    ['nothing under way', { ...hands, too_long: [] }, ['startMove'], 'Nothing is under way.'],
    ['a task', hands, ['startMove'], 'One thing wants you.'],
    ['a task, for a viewer', hands, [], 'One thing wants somebody here.'],
    ['what could not be read', undefined, ['startMove'], 'Not all that wants you could be read.'],
  ])('with %s', async (_, given, allowed, head) => {
    server({
      'GET /api/desk': empty,
      'GET /api/accounts': { accounts: [] },
      ...(given ? { 'GET /api/hands': given } : {}),
    });
    signedIn(...(allowed as string[]));
    show(Desk, {});
    await waitFor(() => expect(screen.getByRole('heading', { level: 1 }).textContent).toBe(head), {
      timeout: 5000,
    });
  });
});

describe('mine, or the team’s', () => {
  const card = (id: number, keeper: string | null) => ({
    ...{
      id,
      name: `n${id}.example`,
      from: 'A',
      to: 'B',
      stage: 'Release',
      open: true,
      turn: 'yours',
    },
    ...{ started_at: at(0), finish: [], sentence: `Decide about n${id}.example`, step: 'release' },
    ...{ short: 'released', says: null, phase: 'due', since: null, until: null, until_means: null },
    ...{ can_approve: false, by_hand: false, exposed: null, asks: null, price: null, result: null },
    ...{ uptime: { stays: 'kept', says: 'Site and mail stay up', because: '' }, keeper },
  });
  it('shows one’s own moves and those that nobody has, and keeps the choice', async () => {
    const yours = [card(1, 'ada@x.example'), card(2, 'ben@x.example'), card(3, null)];
    const asked = server({
      'GET /api/desk': {
        ...{ now: at(0), strays: [], choices: [], batches: [], changes: [], ended: [] },
        lanes: { yours, theirs: [], desk: [], clock: [] },
      },
      'GET /api/accounts': { accounts: [] },
      'GET /api/hands': {
        ...{ places: [], consents: null, too_long: [], overdue: [], leavings: [], letters: [] },
      },
      'POST /api/me/views': {},
    });
    signedIn('startMove');
    show(Desk, {});
    await screen.findByText('Three things want you.');
    await fireEvent.click(screen.getByText('Mine'));
    await screen.findByText('Two things want you.');
    expect(screen.queryByText(/n2\.example/)).toBeNull();
    await waitFor(() => expect(asked.some((a) => a.method === 'POST')).toBe(true));
    expect(asked.find((a) => a.method === 'POST')!.body).toEqual({ desk: { mine: true } });
    await fireEvent.click(screen.getByText('Team'));
    await screen.findByText('Three things want you.');
  });
});

describe('by hand', () => {
  const hand = {
    place: 'millrace',
    title: 'Millrace Registrations',
    site: 'https://millrace.example/',
    login: 'kelpsound',
    does: 'Open ferry.example and take the transfer lock off.',
    typed: [{ label: 'Name server 1', value: 'ns1.example' }],
    way: 'page',
    pastes: false,
    mailto: null,
  };
  const given = {
    move: 7,
    name: 'ferry.example',
    step: 'unlock',
    title: 'Unlock',
    hand,
    saidAt: null,
    proof: 'the public record',
  };

  it('says where, as whom and what, and sends that it is done', async () => {
    const asked = server({ 'POST /api/hands/said': {} });
    signedIn('said');
    show(HandPanel, given);
    for (const text of ['Millrace Registrations', 'kelpsound', 'ns1.example'])
      expect(document.body.textContent).toContain(text);
    await fireEvent.click(screen.getByText('I have done it'));
    await waitFor(() => expect(asked[0]?.body).toEqual({ steps: [{ move: 7, step: 'unlock' }] }));
  });

  it('shows a viewer no button that the server would refuse', () => {
    show(HandPanel, given);
    expect(screen.queryByText('I have done it')).toBeNull();
  });
});

describe('the post', () => {
  const message = (id: number, text: string) => ({
    ...{
      id,
      text,
      names: ['ferry.example'],
      kind: 'receipt',
      trust: 'proven',
      sender: 'a@b.example',
    },
    ...{
      subject: `No. ${id}`,
      because: [],
      links: [],
      codes: [],
      wants_answer: false,
      longer: false,
      at: at(0),
    },
  });

  it('shows the one message that a link leads to, and the way to all', async () => {
    server({
      'GET /api/post': {
        messages: [message(1, 'other')],
        held: 0,
        next: null,
        reading: null,
        kinds: [],
      },
      'GET /api/post/7': message(7, 'the whole of it'),
    });
    history.replaceState(null, '', '/post?message=7');
    show(Post);
    await screen.findByText('the whole of it');
    expect(screen.queryByText('other')).toBeNull();
    expect(screen.getByText('All messages').getAttribute('href')).toBe('/post');
  });
});

describe('the guide', () => {
  it('tells of the practice world only where there is one', () => {
    const told = (practice: boolean) => {
      session.who = { ...session.who!, practice };
      return guide().map((page) => page.id);
    };
    expect(told(true).filter((id) => !told(false).includes(id))).toEqual(['practice']);
    expect(told(false)[0]).toBe('first-move');
  });
});

describe('a step that can not be met', () => {
  it('is left with a reason, never without', async () => {
    const asked = server({ 'POST /api/moves/7/accept': {} });
    show(Leave, { move: 7, step: 'check-landed', title: 'Check' });
    await fireEvent.click(screen.getByText('Leave it as it is …'));
    const button = screen.getByText('Leave it as it is').closest('button')!;
    expect(button.disabled).toBe(true);
    await fireEvent.input(screen.getByLabelText('Why it stays as it is'), {
      target: { value: 'agreed with Pearl' },
    });
    expect(button.disabled).toBe(false);
    await fireEvent.submit(button.closest('form')!);
    await waitFor(() =>
      expect(asked[0]?.body).toEqual({
        step: 'check-landed',
        reason: 'agreed with Pearl',
      }),
    );
  });
});

describe('lists', () => {
  const card = (id: number) => ({
    id,
    name: `m${id}.example`,
    from: 'A',
    to: 'B',
    stage: 'Make ready',
    open: true,
    turn: 'theirs',
    started_at: at(0),
    finish: [],
    sentence: `Wait for ${id}`,
    step: 'lock-gone',
  });

  it('asks for the next page behind the last, once', async () => {
    const asked = server({
      'GET /api/axis': { now: '2027-03-01T08:00:00Z', rows: [] },
      'GET /api/moves': (url: URL) =>
        url.searchParams.get('before')
          ? { moves: [card(1)], next: null }
          : { moves: [card(3), card(2)], next: 2 },
    });
    show(Moves, { children: nothing });
    await fireEvent.click(await screen.findByText('Show more'));
    await screen.findByText('m1.example');
    expect(asked.filter((a) => a.path === '/api/moves').map((a) => a.search)).toEqual([
      '?state=ended',
      '?before=2&state=ended',
    ]);
    expect(screen.queryByText('Show more')).toBeNull();
    expect(screen.getAllByText(/example/).map((e) => e.textContent)).toEqual([
      'm3.example',
      'm2.example',
      'm1.example',
    ]);
  });

  it('keeps the journal in order and without doubles when it goes on', async () => {
    const line = (seq: number) => ({
      seq,
      at: at(seq),
      type: 'done',
      step: null,
      says: `line ${seq}`,
      by: 'desk',
      name: null,
      evidence: {},
      key: null,
    });
    const asked = server({
      'GET /api/journal': { lines: [line(2), line(1)], next: null },
    });
    show(Journal, {
      events: [line(4), line(3)],
      goesOn: true,
      of: { move: 7 },
    });
    await fireEvent.click(screen.getByText('Show more'));
    await screen.findByText('line 1');
    expect(asked[0]?.search).toBe('?move=7&before=3');
    expect(screen.getAllByText(/line/).map((e) => e.textContent)).toEqual([
      'line 4',
      'line 3',
      'line 2',
      'line 1',
    ]);
    expect(screen.queryByText('Show more')).toBeNull();
  });

  it('shows a name with its gate, expiry and what is not known', () => {
    const row = {
      name: 'a.example',
      unicode: 'ä.example',
      gate: { kind: 'needs', needs: 1, steps: 0, clears_at: null, rests_on_less: false },
      was: 'ready',
      windows: [],
      soft: [],
      expires_at: null,
      latest_safe_start: null,
      account: 'Orlop',
      stay: amount(1250, 'KWD'),
      name_servers: [],
      dns_host: null,
      locked: null,
      move: { id: 1, stage: 'Ordered' },
      contradicting: true,
    };
    show(NameLine, {
      row,
      current: false,
      picked: false,
      from: { at: at(0), days: 400 },
      columns: ['account', 'stay', 'dns', 'seen'],
      index: 0,
    });
    const text = document.body.textContent!;
    for (const part of ['ä.example', 'Needs you', '1.250 KWD', 'Ordered'])
      expect(text).toContain(part);
    expect(text.match(/not known/g)!.length).toBeGreaterThanOrEqual(2);
  });
});
