import { fireEvent, screen, waitFor } from '@testing-library/svelte';
import { tick } from 'svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { server, show, signedIn } from './support/server';
import { at, NOW } from './support/moves';
import { clock } from '../../ui/src/lib/clock.svelte';

const { default: Closing } = await import('../../ui/src/views/moves/Closing.svelte');
const { default: BatchClosing } = await import('../../ui/src/views/batches/BatchClosing.svelte');
const { default: Ledger } = await import('../../ui/src/views/ledger/Ledger.svelte');
const { default: Notices } = await import('../../ui/src/views/you/Notices.svelte');
const { default: Tokens } = await import('../../ui/src/views/you/Tokens.svelte');
const { default: Webhooks } = await import('../../ui/src/views/accounts/Webhooks.svelte');

const amount = (minor: number, currency = 'EUR') => ({ minor, currency });

beforeEach(() => {
  signedIn();
  clock.set(new Date(NOW).toISOString(), false);
});

describe('the closing of a move', () => {
  const item = (key: string, more: object = {}) => ({
    key,
    says: `See to ${key}.`,
    state: 'open',
    reason: null,
    by: null,
    at: null,
    ...more,
  });
  const report = {
    title: 'Closing report',
    lead: 'Made now.',
    settled: true,
    again_at: at(60 * 86_400),
    checks: [],
    parts: [
      { heading: null, lines: ['It settled.'] },
      { heading: 'Left at the old account', lines: ['See to zone. (open)'] },
    ],
    left: [item('zone'), item('privacy', { state: 'cancelled', by: 'ada', at: at(0) })],
  };

  it('has what is left cancelled, and kept only with a reason', async () => {
    const asked = server({
      'GET /api/moves/7/closing': report,
      'POST /api/moves/7/closing': report,
    });
    signedIn('settleLeft');
    show(Closing, { id: 7, ended: true });
    await screen.findByText('See to zone.');
    await fireEvent.click(screen.getAllByText('Cancelled').at(0)!);
    await fireEvent.click(screen.getByText('Keep it'));
    await fireEvent.input(screen.getByLabelText(/Why it is kept/), {
      target: { value: 'Mail still runs there.' },
    });
    await fireEvent.click(screen.getAllByText('Keep it').at(-1)!);
    await waitFor(() => expect(asked.filter((a) => a.method === 'POST')).toHaveLength(2));
    expect(asked.filter((a) => a.method === 'POST').map((a) => a.body)).toEqual([
      { key: 'zone', state: 'cancelled' },
      { key: 'zone', state: 'kept', reason: 'Mail still runs there.' },
    ]);
    expect(screen.getByText('Open again')).toBeTruthy();
  });

  it('of a batch: sums first, then a line a name', async () => {
    server({
      'GET /api/batches/3/closing': {
        title: 'Closing report: Spring',
        lead: '',
        parts: [
          { heading: null, lines: ['2 moves. Spent: 18.04 EUR.'] },
          { heading: 'a.example', lines: ['It settled.'] },
        ],
        moves: [
          {
            id: 7,
            name: 'a.example',
            stage: 'Settled',
            open: 2,
            bad: 1,
            spent: amount(902),
            besides: [],
            saved: null,
            again_at: at(9),
          },
          {
            id: 8,
            name: 'b.example',
            stage: 'Refused',
            open: 0,
            bad: 0,
            spent: null,
            besides: [],
            saved: null,
            again_at: null,
          },
        ],
      },
    });
    show(BatchClosing, { id: 3, ended: true });
    await screen.findByText('2 moves. Spent: 18.04 EUR.');
    expect(screen.queryByText('It settled.')).toBeNull();
    expect(document.body.textContent).toMatch(/1 thing differs, 2 left to cancel/);
    expect(screen.getByText('nothing left')).toBeTruthy();
  });
});

describe('the ledger', () => {
  const line = {
    id: 7,
    name: 'a.example',
    from: 'Tarnbeck',
    to: 'Orlop',
    stage: 'Settled',
    batch: null,
    quoted: amount(902),
    spent: amount(950),
    besides: [amount(700, 'GBP')],
    charged: true,
    saved: amount(-50),
    lost_days: 12,
    started_at: at(0),
  };
  const page = {
    months: ['2027-03'],
    clients: [],
    lines: [line],
    sums: [
      { by: 'all', title: null, moves: 1, unknown: 0, spent: [amount(950)], saved: [amount(-50)] },
    ],
    entries: [
      {
        kind: 'receipt',
        at: at(0),
        at_account: 'Orlop',
        moves: [{ id: 7, name: 'a.example' }],
        amount: null,
        number: 'O-1',
        source: 'mail',
      },
    ],
    differences: [
      {
        key: 'k',
        kind: 'otherwise',
        says: 'Orlop charged 9.50 EUR.',
        at: at(0),
        moves: [{ id: 7, name: 'a.example' }],
      },
    ],
  };

  it('settles what does not fit with how, and notes what did not come by mail', async () => {
    const asked = server({
      'GET /api/ledger': page,
      'POST /api/ledger': page,
      'POST /api/ledger/settle': { ...page, differences: [] },
      'GET /api/accounts': { accounts: [{ id: 'orlop', title: 'Orlop' }], hosts: [] },
    });
    signedIn('settleLedger', 'noteLedger');
    show(Ledger);
    await screen.findByText('Orlop charged 9.50 EUR.');
    expect(document.body.textContent).toContain('12 paid days lost');
    expect(document.body.textContent).toContain('not readable');
    await fireEvent.input(screen.getByPlaceholderText('How it was settled'), {
      target: { value: 'Paid back' },
    });
    await fireEvent.click(screen.getByText('Settled', { selector: 'button' }));
    await fireEvent.click(await screen.findByRole('checkbox'));
    await fireEvent.input(screen.getByLabelText('Amount'), { target: { value: '4,80' } });
    await screen.findByText('Orlop', { selector: 'option' });
    await fireEvent.click(screen.getByText('Note it'));
    await waitFor(() => expect(asked.filter((a) => a.method === 'POST')).toHaveLength(2));
    expect(asked.filter((a) => a.method === 'POST').map((a) => a.body)).toEqual([
      { key: 'k', reason: 'Paid back' },
      { kind: 'receipt', moves: [7], account: 'orlop', amount: amount(480) },
    ]);
  });

  it('says what it is for while it is empty', async () => {
    server({ 'GET /api/ledger': { ...page, lines: [], sums: [], entries: [], differences: [] } });
    show(Ledger);
    await screen.findByText(/Nothing was quoted or paid yet/);
  });
});

describe('for programs and by mail', () => {
  it('a token is shown once', async () => {
    const page = { tokens: [], token: null, roles: ['viewer', 'mover'] };
    const made = {
      id: 1,
      title: 'nightly',
      role: 'mover',
      over: false,
      made_at: at(0),
      expires_at: at(9),
      used_at: null,
    };
    const asked = server({
      'GET /api/me/tokens': page,
      'POST /api/me/tokens': { ...page, tokens: [made], token: 'steady-abc' },
      'POST /api/me/tokens/1/end': page,
    });
    vi.useFakeTimers({ shouldAdvanceTime: true });
    show(Tokens);
    await fireEvent.input(await screen.findByLabelText('What it is for'), {
      target: { value: 'nightly' },
    });
    await fireEvent.change(screen.getByLabelText('Role'), { target: { value: 'mover' } });
    await fireEvent.click(screen.getByText('Make a token'));
    await screen.findByText('steady-abc');
    expect(asked.find((a) => a.method === 'POST')!.body).toEqual({
      title: 'nightly',
      role: 'mover',
      days: 90,
    });
    vi.advanceTimersByTime(1000);
    await tick();
    await fireEvent.click(screen.getByText('End it'));
    vi.advanceTimersByTime(1000);
    await tick();
    await fireEvent.click(screen.getByText(/^Yes, whatever uses this token/));
    await screen.findByText('None yet.');
  });

  it('a webhook says when it could not be told', async () => {
    const hook = {
      id: 1,
      url: 'https://in.example/x',
      types: ['planned'],
      by: 'ada',
      fails: 3,
      says: 'it answered 500',
      made_at: at(0),
      next_at: at(900),
    };
    const asked = server({
      'GET /api/webhooks': { hooks: [hook], types: ['planned', 'done'], secret: null },
      'POST /api/webhooks': { hooks: [hook], types: ['planned', 'done'], secret: 'the-secret' },
    });
    show(Webhooks);
    await screen.findByText(/could not be delivered 3 times in a row/);
    await fireEvent.input(screen.getByLabelText(/Address/), {
      target: { value: 'https://in.example/y' },
    });
    await fireEvent.click(screen.getByLabelText('done'));
    await fireEvent.click(screen.getByText('Add the webhook'));
    await screen.findByText('the-secret');
    expect(asked.find((a) => a.method === 'POST')!.body).toMatchObject({
      url: 'https://in.example/y',
    });
  });

  it('notices are chosen, the daily ones with their hour', async () => {
    const asked = server({
      'GET /api/me/notices': { choice: 'never', hour: 7, able: false },
      'POST /api/me/notices': { choice: 'daily', hour: 6, able: false },
    });
    show(Notices);
    await screen.findByText(/No mail server/);
    await fireEvent.click(screen.getByLabelText('once a day'));
    await fireEvent.change(screen.getByLabelText(/hour/), { target: { value: '6' } });
    await fireEvent.click(screen.getByText('Keep'));
    await screen.findByText('Kept');
    expect(asked.find((a) => a.method === 'POST')!.body).toEqual({ choice: 'daily', hour: 6 });
  });
});
