import { fireEvent, screen, waitFor, within } from '@testing-library/svelte';
import { beforeEach, describe, expect, it } from 'vitest';
import { createRawSnippet } from 'svelte';
import { server, show, signedIn } from './support/server';
import { at, block, step } from './support/moves';

const { default: Proposal } = await import('../../ui/src/views/names/Proposal.svelte');
const { default: Plan } = await import('../../ui/src/views/names/Plan.svelte');
const { default: Review } = await import('../../ui/src/views/batches/Review.svelte');

const amount = (minor: number, currency = 'EUR') => ({ minor, currency });
const nothing = createRawSnippet(() => ({ render: () => '<i></i>' }));

const settled = () => new Promise((done) => setTimeout(done));

beforeEach(() => signedIn());

describe('the plan', () => {
  const proposal = (more: object) => ({
    name: 'ferry.example',
    from: 'A',
    to: 'B',
    refusals: [],
    cautions: [],
    ready: [],
    aims: {},
    startable: true,
    years: 1,
    late: false,
    dns_question: [],
    renewed_from: null,
    renewal: null,
    total: amount(902),
    carries: false,
    quote: {
      fee: amount(884),
      promotion: amount(0),
      per_transaction: amount(18),
      privacy: null,
      tax: amount(0),
      without: [],
      total: amount(902),
      stay: amount(1500),
      saves: amount(598),
    },
    expires_at: at(0),
    expected_expiry: at(86400 * 365),
    words: {
      name: 'ferry.example',
      from: 'A',
      from_id: 'a',
      to: 'B',
      old_host: 'O',
      new_host: 'N',
    },
    zone: null,
    steps: [step('order', [], 'registration')],
    blocks: [block('order', 0, [5, 30, 300])],
    finish: [at(60), at(600), at(3600)],
    rests_on: [],
    ...more,
  });

  it('says price, saving and expiry', () => {
    show(Proposal, { proposal: proposal({}), act: nothing });
    const text = document.body.textContent!;
    for (const part of ['9.02 EUR', '5.98 EUR', '8.84 EUR']) expect(text).toContain(part);
  });

  // Whichever answer comes last, with a destination in the address that makes the list of accounts
  // wait to be read.
  it.each(['/api/accounts', '/api/names/ferry.example', '/api/proposals'])(
    'shows when %s comes last',
    async (late) => {
      history.replaceState(null, '', '/names/ferry.example/plan?to=b');
      const accounts = {
        usual_destination: 'b',
        hosts: [],
        accounts: [{ id: 'b', title: 'B', kind: 'epp', prices: {} }],
      };
      let release = () => {};
      const held = new Promise<void>((go) => (release = go));
      const asked = server(
        {
          'GET /api/accounts': accounts,
          'GET /api/names/ferry.example': {
            name: 'ferry.example',
            unicode: 'ferry.example',
            account_id: 'a',
          },
          'POST /api/proposals': proposal({}),
        },
        { [late]: held },
      );
      show(Plan, {});
      await waitFor(() => expect(asked).toHaveLength(late === '/api/names/ferry.example' ? 2 : 3));
      await settled();
      release();
      await waitFor(() => expect(document.body.textContent).toContain('9.02 EUR'));
    },
  );

  it('says every refusal as an alert', () => {
    show(Proposal, {
      proposal: proposal({
        refusals: ['It is barred until <2027-04-30T08:00:00Z>.'],
        startable: false,
      }),
      act: nothing,
    });
    expect(screen.getByRole('alert').textContent).toMatch(/It is barred until .*Apr/);
  });
});

const both = (...names: string[]) => ({ names, unicode: names });

describe('the review of a batch', () => {
  const row = (name: string, startable: boolean, says: string[] = []) => ({
    name,
    to: 'orlop',
    startable,
    says,
    total: amount(902),
    saves: null,
    by_hand: 0,
    carries: false,
    late: false,
    needs_host: false,
    expires_at: at(40),
    you: ['Unlock'],
    they: [],
  });
  const sums = { total: [amount(1804)], saves: [], unpriced: 0, uncompared: 2 };
  const review = {
    rows: [
      row('a.example', true),
      row('b.example', true),
      row('c.example', false, ['It is too young.']),
    ],
    sums,
    places: [{ to: 'orlop', title: 'Orlop', names: 2, sums }],
    waves: [
      {
        number: 1,
        ...both('a.example'),
        starts_at: at(0),
        ends: [at(1), at(2), at(5)],
        why: 'trial' as const,
      },
    ],
    risks: [
      {
        key: 'contact-on-name',
        harm: 'lost' as const,
        note: null,
        cases: [{ says: 'Its mail comes from itself.', ...both('a.example', 'b.example') }],
      },
      {
        key: 'unknown registrant-change',
        harm: 'held' as const,
        note: 'registrant_changed_at',
        cases: [{ says: 'Nobody knows when it changed.', ...both('a.example') }],
      },
    ],
    asks: [
      { place: null, says: 'Approve the release of each name', ...both('a.example', 'b.example') },
    ],
    range: [at(1), at(2), at(5)],
    above: ['18.04 EUR is above this batch’s limit of 10.00 EUR.'],
  };

  it('says every caution once, what is left out, and what is above a limit', () => {
    show(Review, { review, blackouts: [] });
    expect(screen.getAllByText('Its mail comes from itself.')).toHaveLength(1);
    expect(screen.getByText('It is too young.')).toBeTruthy();
    expect(screen.getByText(/above this batch/)).toBeTruthy();
    const table = screen.getByRole('table', { name: 'What happens in which order' });
    expect(within(table).getAllByRole('row')).toHaveLength(4);
    expect(within(table).getAllByRole('img')).toHaveLength(1);
    const mend = screen.getByText('Note it for this name');
    expect(mend.getAttribute('href')).toMatch(
      /\?tray=a\.example&act=note&note=registrant_changed_at$/,
    );
  });
});
