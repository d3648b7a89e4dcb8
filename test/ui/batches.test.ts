import { fireEvent, screen, waitFor, within } from '@testing-library/svelte';
import { beforeEach, describe, expect, it } from 'vitest';
import { server, show, signedIn } from './support/server';
import { at, NOW } from './support/moves';
import { clock } from '../../ui/src/lib/clock.svelte';

const { default: Compare } = await import('../../ui/src/views/batches/Compare.svelte');
const { default: Members } = await import('../../ui/src/views/batches/Members.svelte');
const { default: Settings } = await import('../../ui/src/views/batches/Settings.svelte');
const { default: Rehearsal } = await import('../../ui/src/views/batches/Rehearsal.svelte');
const { default: DoneBy } = await import('../../ui/src/views/batches/DoneBy.svelte');

const amount = (minor: number, currency = 'EUR') => ({ minor, currency });
const accounts = {
  accounts: [
    { id: 'orlop', title: 'Orlop' },
    { id: 'withy', title: 'Withy' },
  ],
  hosts: [],
};
const open = () => fireEvent(document.querySelector('details')!, new Event('toggle'));
const unfold = async () => {
  document.querySelector('details')!.open = true;
  await open();
};

beforeEach(() => {
  signedIn();
  clock.set(new Date(NOW).toISOString(), false);
});

describe('the names of a batch', () => {
  const move = {
    id: 7,
    open: true,
    stage: 'Release',
    turn: 'yours',
    finish: [at(1), at(2), at(3)],
  };
  const members = [
    { name: 'a.example', state: 'in', own: {}, says: null, move: null },
    { name: 'b.example', state: 'held', own: {}, says: 'It is too young.', move: null },
    { name: 'c.example', state: 'in', own: {}, says: null, move },
    {
      name: 'd.example',
      state: 'in',
      own: {},
      says: null,
      move: { ...move, open: false, stage: 'Refused' },
    },
    { name: 'e.example', state: 'dropped', own: {}, says: null, move: null },
  ];

  it('are held back, let go on, tried again, sent elsewhere', async () => {
    const asked = server({ 'GET /api/accounts': accounts, 'POST /api/batches/3/names': {} });
    signedIn('changeBatchNames');
    show(Members, { id: 3, members, done: () => undefined });
    expect(screen.queryByText('e.example')).toBeNull();
    const [first, second] = screen.getAllByRole('button', { name: /^Change/ });
    await fireEvent.click(first!);
    await fireEvent.click(screen.getByText('Hold back'));
    await fireEvent.click(second!);
    await fireEvent.click(screen.getByText('Let go on'));
    await fireEvent.click(screen.getByText('Try it again'));
    await fireEvent.click(first!);
    const rows = screen.getByRole('list', { name: 'Names' });
    await within(rows).findAllByText('Withy');
    await fireEvent.change(within(rows).getAllByRole('combobox')[0]!, {
      target: { value: 'withy' },
    });
    await waitFor(() => expect(asked.filter((a) => a.method === 'POST')).toHaveLength(4));
    expect(asked.filter((a) => a.method === 'POST').map((a) => a.body)).toEqual([
      { hold: ['a.example'] },
      { go_on: ['b.example'] },
      { go_on: ['d.example'] },
      { own: { 'a.example': { to: 'withy' } } },
    ]);
  });

  it('are only looked at by a viewer', () => {
    server({ 'GET /api/accounts': accounts });
    show(Members, { id: 3, members, done: () => undefined });
    expect(screen.queryByText('Hold back')).toBeNull();
    expect(screen.getByText('It is too young.')).toBeTruthy();
  });
});

describe('how a batch is done', () => {
  const sheet = (settings: object) => ({ batch: { title: 'Spring' }, settings }) as never;

  it('takes spans of days, a limit in its currency, and nothing that is no span', async () => {
    const asked = server({ 'GET /api/accounts': accounts, 'POST /api/batches/3': {} });
    signedIn('changeBatch');
    show(Settings, {
      id: 3,
      sheet: sheet({ to: 'orlop', per_day: 25, trial: true, blackouts: [], limit: amount(10_000) }),
      done: () => undefined,
    });
    const spans = await screen.findByLabelText(/Black-out spans/);
    await fireEvent.input(spans, { target: { value: 'next week' } });
    await fireEvent.click(screen.getByText('Save'));
    expect(screen.getByRole('alert').textContent).toContain('“next week” is no span');
    await fireEvent.input(spans, {
      target: { value: '2027-04-20 to 2027-05-02\n1 Jul 2027 – 3.7.2027' },
    });
    await fireEvent.input(screen.getByLabelText(/Spending limit/), { target: { value: '59,90' } });
    await fireEvent.click(screen.getByText('Save'));
    await waitFor(() => expect(asked.some((a) => a.method === 'POST')).toBe(true));
    expect(asked.find((a) => a.method === 'POST')!.body).toMatchObject({
      title: 'Spring',
      to: 'orlop',
      per_day: 25,
      trial: true,
      limit: amount(5990),
      blackouts: [
        ['2027-04-20', '2027-05-02'],
        ['2027-07-01', '2027-07-03'],
      ],
    });
  });
});

describe('destinations compared', () => {
  const line = (id: string, title: string, ahead: number[], out = {}) => ({
    id,
    title,
    goes: 1,
    ahead: { EUR: ahead },
    out,
  });
  const found = {
    years: 5,
    converted: null,
    rows: [
      {
        name: 'a.example',
        from: 'tarnbeck',
        currency: 'EUR',
        stay: [1500, 3000],
        best: 'orlop',
        ways: [
          {
            id: 'orlop',
            currency: 'EUR',
            ahead: [902, 2000],
            takes: true,
            why: null,
            break_even: 1,
          },
        ],
      },
      { name: 'b.example', from: 'cobble', currency: null, stay: [], best: null, ways: [] },
    ],
    lines: [
      line('stay', 'All stay where they are', [1500, 3000]),
      line('orlop', 'Orlop', [902, 2000]),
      line('withy', 'Withy', [1500, 3000], { suffix: ['a.example'] }),
      line('mixed', 'Each where it is cheapest', [902, 2000]),
    ],
  };

  it('draw a line for each that changes something, and send names where they are cheapest', async () => {
    server({ 'POST /api/compare': found });
    signedIn('changeBatchNames');
    let sent = {};
    show(Compare, {
      names: ['a.example', 'b.example'],
      send: (to: Record<string, string>) => (sent = to),
    });
    await unfold();
    await screen.findByText('in year 1');
    const drawn = [...document.querySelectorAll('svg .end')].map((e) => e.textContent);
    expect(drawn.sort()).toEqual(['All stay where they are', 'Each where it is cheapest', 'Orlop']);
    expect(screen.getByText('Withy does not take this suffix:')).toBeTruthy();
    expect(screen.getByText('staying, or nothing to compare')).toBeTruthy();
    await fireEvent.click(screen.getByText('Send 1 name where they are cheapest'));
    expect(sent).toEqual({ 'a.example': 'orlop' });
  });
});

describe('a rehearsal', () => {
  it('shows how often what went wrong, and what was asked when', async () => {
    server({
      'POST /api/batches/3/rehearse': {
        runs: 100,
        names: 2,
        range: [at(3600), at(7200), at(86_400)],
        endings: [
          { ending: 'settled', share: 97 },
          { ending: 'refused', share: 3 },
        ],
        faults: [{ says: 'the code comes late', share: 15 }],
        asks: [{ says: 'Approve each name', place: null, share: 100, at: [at(1), at(2), at(3)] }],
      },
    });
    show(Rehearsal, { id: 3 });
    await fireEvent.click(screen.getByText('Rehearse it a hundred times'));
    await screen.findByText('the code comes late');
    expect(document.body.textContent).toContain('3 of 100 moves refused and made safe.');
    expect(screen.getByText('15 of 100')).toBeTruthy();
    expect(screen.getByText('Here, at the desk')).toBeTruthy();
  });
});

describe('to be done by a day', () => {
  it.each([
    ['20 Mar 2027', /^start before .* 18 Mar/],
    ['2 Mar', /^even started now, 9 in 10 are done only by/],
  ])('%s', async (day, says) => {
    show(DoneBy, { id: 'x', late: at(2 * 86_400) });
    await fireEvent.change(screen.getByLabelText(/To be done/), { target: { value: day } });
    expect(document.querySelector('strong')!.textContent).toMatch(says);
  });
});
