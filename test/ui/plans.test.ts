import './support/router';
import { fireEvent, screen, waitFor } from '@testing-library/svelte';
import { beforeEach, describe, expect, it } from 'vitest';
import { createRawSnippet } from 'svelte';
import { server, show, signedIn } from './support/server';
import { at, block, step } from './support/moves';

const { default: Proposal } = await import('../../ui/src/views/names/Proposal.svelte');
const { default: Plan } = await import('../../ui/src/views/names/Plan.svelte');
const { default: Batch } = await import('../../ui/src/views/names/Batch.svelte');

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
    carries: false,
    quote: {
      fee: amount(884),
      promotion: amount(0),
      per_transaction: amount(18),
      tax: amount(0),
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

  // Whichever answer comes last, with a destination in the address that makes the list of accounts wait to be read.
  it.each(['/api/accounts', '/api/names/ferry.example', '/api/proposals'])('shows when %s comes last', async (late) => {
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
        'GET /api/names/ferry.example': { name: 'ferry.example', unicode: 'ferry.example', account_id: 'a' },
        'POST /api/proposals': proposal({}),
      },
      { [late]: held },
    );
    show(Plan, {});
    await waitFor(() => expect(asked).toHaveLength(late === '/api/names/ferry.example' ? 2 : 3));
    await settled();
    release();
    await waitFor(() => expect(document.body.textContent).toContain('9.02 EUR'));
  });

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

describe('a batch', () => {
  const rows = [
    {
      name: 'a.example',
      startable: true,
      says: [],
      total: amount(902),
      saves: amount(598),
      by_hand: 2,
      carries: false,
      move_id: null,
    },
    {
      name: 'b.example',
      startable: false,
      says: ['It is too young.'],
      total: amount(902),
      saves: null,
      by_hand: 0,
      carries: false,
      move_id: null,
    },
  ];
  const answers = {
    'GET /api/accounts': {
      usual_destination: 'orlop',
      hosts: [],
      accounts: [{ id: 'orlop', title: 'Orlop', kind: 'epp', prices: {} }],
    },
    'POST /api/batches/proposals': {
      rows,
      total: [amount(902)],
      saves: [amount(598)],
    },
    'POST /api/batches': {
      rows: [{ ...rows[0], move_id: 4 }],
      total: [],
      saves: [],
    },
  };

  it('starts only those that can, and says why the others can not', async () => {
    window.history.replaceState({}, '', '/names/batch?tray=a.example,b.example');
    const asked = server(answers);
    signedIn('startBatch');
    show(Batch);
    await screen.findByText('It is too young.');
    await fireEvent.click(screen.getByText(/^\s*Start 1/));
    await waitFor(() =>
      expect(asked.find((a) => a.path === '/api/batches')).toMatchObject({
        body: { names: ['a.example'], to: 'orlop' },
      }),
    );
  });

  it('offers nobody else the start', async () => {
    window.history.replaceState({}, '', '/names/batch?tray=a.example,b.example');
    server(answers);
    show(Batch);
    await screen.findByText('It is too young.');
    expect(screen.queryByText(/^\s*Start 1/)).toBeNull();
  });
});
