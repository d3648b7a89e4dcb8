import { fireEvent, screen, waitFor } from '@testing-library/svelte';
import { createRawSnippet } from 'svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import Waiting from '../../ui/src/parts/Waiting.svelte';
import Reading from './support/Reading.svelte';
import { server, show, signedIn } from './support/server';

const nothing = createRawSnippet(() => ({ render: () => '<i></i>' }));
const accounts = { accounts: [], hosts: [], usual_destination: null };
const hands = {
  ...{ places: [], consents: null, too_long: [], overdue: [], leavings: [], letters: [] },
  can_send: false,
};
const list = {
  ...{ at: '2027-03-01T08:00:00Z', now: '2027-03-01T08:00:00Z', total: 0, held: 0, offset: 0 },
  ...{ tally: {}, groups: [], changes: [], suffixes: [], stay: [], unpriced: 0, names: [] },
  horizon_days: 400,
};

// View => what it asks for, answered with nothing in it; what it then says would be there, and the
// one way to it.
const VIEWS: Record<string, [answers: Record<string, unknown>, empty: RegExp]> = {
  'names/NameList': [{ '/api/names': list, '/api/accounts': accounts }, /No names yet.*Add names/s],
  'moves/Approvals': [{ '/api/approvals': { places: [], coming: [] } }, /No approval is due/],
  'batches/Batches': [{ '/api/batches': { batches: [] } }, /No batch yet/],
  'ledger/Ledger': [
    { '/api/ledger': { lines: [], differences: [], sums: {} }, '/api/accounts': accounts },
    /Nothing was quoted or paid yet/,
  ],
  'records/Records': [{ '/api/records': { names: [] } }, /No zone waits for a decision/],
  'hands/Hands': [{ '/api/hands': hands }, /Nothing has to be done by hand.*Choose names/s],
  'post/Post': [
    { '/api/post': { messages: [], held: 0, next: null, reading: null, kinds: [] } },
    /No message wants an answer.*which mailbox they come to/s,
  ],
  'codes/CodeSafe': [{ '/api/codes': { codes: [], choices: [] } }, /No code is held.*from a list/s],
  'accounts/Registrars': [
    { '/api/accounts': accounts, '/api/status': { connections: [] }, '/api/account-form': {} },
    /No registrar yet.*Add the account that holds/s,
  ],
  'accounts/DnsHosts': [
    { '/api/accounts': accounts },
    /No DNS host yet.*named by its name servers/s,
  ],
  'rulebook/Rulebook': [
    { '/api/rulebook': { families: [], titles: {}, unlisted: [], overrides: [], rules: [] } },
    /What may move when/,
  ],
};
const modules = import.meta.glob('../../ui/src/views/*/*.svelte');
const load = async (view: string) => {
  const module = (await modules[`../../ui/src/views/${view}.svelte`]!()) as { default: unknown };
  return module.default;
};
// A view's own modules come with the first test of it.
const LOADING = 120_000;
const said = () => document.body.textContent!.replace(/\s+/g, ' ');

beforeEach(() => signedIn('takeIn', 'addAccount', 'addHost', 'keepCodes'));

describe.each(Object.entries(VIEWS))('%s', (view, [answers, empty]) => {
  const asGet = Object.fromEntries(Object.entries(answers).map(([p, a]) => [`GET ${p}`, a]));

  it(
    'says what would be here, and the way to it, where nothing is',
    async () => {
      server(asGet);
      show(await load(view), { children: nothing });
      await waitFor(() => expect(said()).toMatch(empty));
      expect(screen.queryByRole('alert')).toBeNull();
    },
    LOADING,
  );

  it(
    'says what failed, and asks again when told to',
    async () => {
      server({});
      show(await load(view), { children: nothing });
      const alert = await screen.findAllByRole('alert');
      expect(alert[0]!.textContent).toContain('nothing');
      server(asGet);
      await fireEvent.click(screen.getAllByText('Try again')[0]!);
      await waitFor(() => expect(screen.queryByText('Try again')).toBeNull());
      await waitFor(() => expect(said()).toMatch(empty));
    },
    LOADING,
  );
});

// A head says no more than was seen: what was never heard, or is left, is not said to be well.
describe('heads', () => {
  const status = {
    ...{ version: '0', now: '2027-03-01T08:00:00Z', journal_whole: true, journal_lines: 1 },
    ...{ journal_of: 1, journal_walked: null, open_moves: 0, next_look: null, problems: [] },
    checks: [{ title: 'Disk', well: true, says: '', since: null }],
  };
  const link = { title: 'Orlop', kind: 'EPP', says: '', well: false, well_at: null };
  const left = { id: 'q', title: 'Quern', site: null, list: '', mailto: null };
  it.each([
    ['status/Status', '/api/status', { ...status, connections: [] }, /All that is checked is well/],
    [
      'status/Status',
      '/api/status',
      { ...status, connections: [{ ...link, heard_at: null }] },
      /Nothing is known to be wrong\. One not known yet/,
    ],
    [
      'status/Status',
      '/api/status',
      { ...status, connections: [{ ...link, heard_at: status.now }] },
      /One thing is not well/,
    ],
    [
      'hands/Hands',
      '/api/hands',
      { ...hands, leavings: [{ ...left, kinds: [] }] },
      /One thing to do by hand/,
    ],
  ])('%s %s', async (view, path, answer, head) => {
    server({ [`GET ${path}`]: answer });
    show(await load(view));
    await waitFor(() =>
      expect(screen.getByRole('heading', { level: 1 }).textContent).toMatch(head),
    );
  });
});

describe('what is still being read', () => {
  it('is said, and what to do where the server hangs', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
    let answer = () => {};
    const hangs = new Promise<void>((done) => (answer = done));
    server({ 'GET /api/hands': hands }, { '/api/hands': hangs });
    show(Reading, {});
    await vi.waitFor(() => expect(screen.getByRole('status').textContent).toMatch(/Reading what/));
    await vi.advanceTimersByTimeAsync(10_001);
    expect(screen.getByRole('status').textContent).toMatch(/has not answered.*What you typed/);
    expect(screen.getByText('Try again')).toBeTruthy();
    vi.useRealTimers();
    answer();
    await waitFor(() => expect(screen.queryByRole('status')).toBeNull());
  });

  it('says that scripts are gone after an upgrade', async () => {
    show(Waiting, {});
    await fireEvent(window, new Event('vite:preloadError'));
    expect(screen.getByRole('alert').textContent).toMatch(/was updated.*Load the page again/s);
  });
});
