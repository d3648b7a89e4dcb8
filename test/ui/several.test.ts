import { fireEvent, screen, waitFor } from '@testing-library/svelte';
import { beforeEach, describe, expect, it } from 'vitest';
import { server, show, signedIn } from './support/server';
import { at, NOW } from './support/moves';
import { clock } from '../../ui/src/lib/clock.svelte';
import { DAY, marks, picture, reach, stretches, type Block, type Row } from '../../ui/src/lib/axis';

const { default: Approvals } = await import('../../ui/src/views/moves/Approvals.svelte');
const { default: Ended } = await import('../../ui/src/views/moves/Ended.svelte');
const { default: ForOthers } = await import('../../ui/src/views/moves/ForOthers.svelte');

const open = () => fireEvent(document.querySelector('details')!, new Event('toggle'));
const unfold = async () => {
  document.querySelector('details')!.open = true;
  await open();
};

// What can't be taken back is dead for a second after it appears.
const awake = async (label: string) => {
  const button = (await screen.findByText(label)) as HTMLButtonElement;
  await waitFor(() => expect(button.disabled).toBe(false), { timeout: 5000 });
  await fireEvent.click(button);
};

beforeEach(() => {
  signedIn();
  clock.set(new Date(NOW).toISOString(), false);
});

describe('the axis', () => {
  const row = (id: number, more: Partial<Row> = {}): Row => ({
    id,
    name: `m${id}.example`,
    unicode: `m${id}.example`,
    from: 'A',
    to: 'B',
    batch: null,
    stage: 'Release',
    turn: 'yours',
    late: false,
    ends: at(4 * 86_400),
    started_at: at(-86_400),
    finish: [at(86_400), at(2 * 86_400), at(5 * 86_400)],
    ...more,
  });
  const block = (more: Partial<Block>): Block => ({
    rail: 'registration',
    title: 'Unlock',
    starts: at(-7200),
    ends: [at(-3600), at(-3600), at(-3600)],
    past: true,
    turn: null,
    phase: 'done',
    ...more,
  });

  it('reaches from the first begin to the last end, in whole days', () => {
    const { from, to } = reach([row(1), row(2, { started_at: at(-3 * 86_400) })], NOW);
    expect(from).toBeLessThanOrEqual(NOW - 3 * DAY);
    expect(to).toBeGreaterThanOrEqual(NOW + 5 * DAY);
    expect([from % DAY, to % DAY]).toEqual([0, 0]);
  });

  it.each([
    ['day', 14, undefined],
    ['week', 2, 1],
    ['month', 1, undefined],
  ] as const)('marks each %s', (zoom, count, weekday) => {
    const found = marks(
      Date.parse('2027-02-22T00:00:00Z'),
      Date.parse('2027-03-08T00:00:00Z'),
      zoom,
    );
    expect(found).toHaveLength(count);
    if (weekday !== undefined)
      expect(found.every((t) => new Date(t).getUTCDay() === weekday)).toBe(true);
  });

  it('gathers what is done, and shows what is under way and ahead one by one', () => {
    const ahead = [at(3600), at(7200), at(86_400)];
    const found = stretches(
      [
        block({}),
        block({ starts: at(-3600), ends: [at(-60), at(-60), at(-60)] }),
        block({ past: false, turn: 'yours', phase: 'due', starts: at(0), ends: ahead }),
        block({ past: false, phase: 'stuck', starts: at(0), ends: ahead }),
        block({ past: false, phase: 'ahead', rail: 'records', starts: at(0), ends: ahead }),
      ],
      'registration',
    );
    expect(found.map((s) => s.kind)).toEqual(['active', 'stuck', 'past']);
    expect(found.at(-1)).toMatchObject({ from: NOW - 7_200_000, to: NOW - 60_000 });
  });

  it('is drawn whole, with names that are no markup', () => {
    const svg = picture(
      [row(1, { unicode: 'a<b>&".example' })],
      new Map([[1, [block({})]]]),
      NOW,
      'week',
      {
        title: 'All',
        mark: (t) => String(t),
      },
    );
    const read = new DOMParser().parseFromString(svg, 'image/svg+xml');
    expect(read.querySelector('parsererror')).toBeNull();
    expect(read.documentElement.textContent).toContain('a<b>&".example');
    expect(read.querySelectorAll('rect').length).toBeGreaterThan(1);
  });
});

describe('approvals', () => {
  const item = (id: number, more: object = {}) => ({
    move_id: id,
    name: `m${id}.example`,
    unicode: `m${id}.example`,
    step: 'release',
    says: 'Approve',
    how: 'connection',
    ends: at(4 * 86_400),
    assumed: false,
    silence: 'approves',
    saves: 300_000,
    able: true,
    approved: false,
    ...more,
  });
  const page = {
    places: [
      {
        id: 'a',
        title: 'Tarnbeck',
        site: null,
        items: [item(1), item(2), item(3, { able: false, how: 'page' })],
      },
      {
        id: 'b',
        title: 'Cobble',
        site: null,
        items: [item(4, { silence: 'lapses', saves: null, able: false })],
      },
    ],
    coming: [
      { move_id: 9, name: 'm9.example', from: 'Tarnbeck', wished: false, expected: at(3600) },
    ],
    problems: [],
  };

  it('are approved in one go, those alone that can be approved here', async () => {
    const asked = server({
      'GET /api/approvals': page,
      'POST /api/approvals': { ...page, problems: [] },
    });
    signedIn('approveSeveral');
    show(Approvals);
    await screen.findByText('4 approvals are due');
    expect(screen.getByText(/it lapses, and the move ends/)).toBeTruthy();
    await awake('Approve all 2 at Tarnbeck');
    await awake('Yes, release 2 names; this can’t be taken back');
    await waitFor(() =>
      expect(asked.find((a) => a.method === 'POST')?.body).toEqual({ moves: [1, 2] }),
    );
    expect(screen.getByText('Approve as soon as it is asked')).toBeTruthy();
  });

  it('say what could not be approved, and offer nobody else a button', async () => {
    server({
      'GET /api/approvals': page,
      'POST /api/approvals': { ...page, problems: [{ move_id: 1, says: 'It is over.' }] },
    });
    show(Approvals);
    await screen.findByText('4 approvals are due');
    expect(screen.queryByText(/Approve all/)).toBeNull();
    signedIn('approveSeveral');
  });
});

describe('what others are shown', () => {
  it('is copied as plain text, or has a page whose address is shown once', async () => {
    const text = {
      text: ['a.example moves.', `Done by <${at(3600).replace('.000', '')}>.`],
      made_at: null,
      address: null,
    };
    server({
      'GET /api/shown/move/7': text,
      'POST /api/shown/move/7': {
        ...text,
        made_at: at(0),
        address: 'https://desk.example/api/status/xyz',
      },
    });
    signedIn('renewStatusPage');
    show(ForOthers, { kind: 'move', ref: 7 });
    await unfold();
    await screen.findByText('a.example moves.');
    await fireEvent.click(screen.getByText('Make a page with a secret address'));
    await screen.findByText('https://desk.example/api/status/xyz');
    expect(screen.getByText(/shown once/)).toBeTruthy();
  });

  it('ended moves fold away with what came of them', async () => {
    const ended = [{ id: 1, unicode: 'a.example', stage: 'Settled', from: 'A', to: 'B' }] as never;
    show(Ended, {
      moves: ended,
      current: undefined,
      there: true,
      busy: false,
      more: () => undefined,
    });
    expect(document.querySelector('details')!.open).toBe(false);
    expect(document.querySelector('summary')!.textContent).toMatch(/Ended moves\s+1\+/);
  });
});
