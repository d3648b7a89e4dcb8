import { fireEvent, screen, waitFor } from '@testing-library/svelte';
import { beforeEach, describe, expect, it } from 'vitest';
import { server, show, signedIn } from './support/server';

const { default: Import } = await import('../../ui/src/views/names/Import.svelte');
const { default: NoteEntry } = await import('../../ui/src/views/ledger/NoteEntry.svelte');

const row = (place: number, more: object) => ({
  place,
  number: place + 2,
  cells: [`n${place}.example`, '03/04/2027', 'Old Pier'],
  fate: 'new',
  name: `n${place}.example`,
  says: null,
  unread: [],
  ...more,
});
const PREVIEW = {
  table: true,
  head: ['Domain', 'Until', 'Held at'],
  kinds: ['name', 'expires_at', 'account'],
  counts: { new: 2, known: 0, twice: 0, no_name: 1, out: 0, unread: 1 },
  registrars: [{ given: 'Old Pier', names: 2, account: null }],
  unnamed: 0,
  questions: [{ kind: 'order', column: 1, sample: '03/04/2027' }],
  rows: [
    row(0, { unread: [{ column: 1, wanted: 'date' }] }),
    row(1, { fate: 'no_name', name: null, says: 'It is no name.' }),
    row(2, {}),
  ],
  fine: 1,
};
const DONE = {
  id: 4,
  at: '2027-03-01T08:00:00Z',
  by: 'ada',
  of: 2,
  kept: 2,
  added: 2,
  updated: 0,
  looked: 2,
  looking: 2,
  told: 1,
  refused: [],
  names: [{ name: 'n0.example', unicode: 'n0.example' }],
  accounts: ['Old Pier'],
  finished: true,
  undone_at: null,
  undone_by: null,
};
const posts = (asked: { method: string; path: string; body?: unknown }[], path: string) =>
  asked.filter((a) => a.method === 'POST' && a.path === path).map((a) => a.body);

beforeEach(() => signedIn('takeIn', 'undoImport', 'noteLedger'));

describe('names that were pasted', () => {
  it('are looked at, mended, asked about once, and only then added', async () => {
    const asked = server({
      'GET /api/accounts': { accounts: [{ id: 'a', title: 'Tide Names' }], hosts: [] },
      'POST /api/names/preview': PREVIEW,
      'POST /api/names': DONE,
      'GET /api/imports/4': DONE,
    });
    show(Import, {});
    const text = await screen.findByLabelText('Names, or a table');
    await fireEvent.input(text, { target: { value: 'Domain;Until;Held at' } });
    await screen.findByText('2 new, 1 needs a look, 1 is no name.');
    await fireEvent.click(await screen.findByText('3 April 2027'));
    await fireEvent.change(screen.getByLabelText('Line 3, Domain: a name'), {
      target: { value: 'n1.example' },
    });
    await fireEvent.click(screen.getByLabelText('Leave out line 4'));
    await fireEvent.change(screen.getByLabelText('What “Until” holds'), { target: { value: '' } });
    await waitFor(() =>
      expect(posts(asked, '/api/names/preview').at(-1)).toEqual({
        text: 'Domain;Until;Held at',
        order: 'day',
        mended: [{ place: 1, column: 0, text: 'n1.example' }],
        left_out: [2],
        kinds: ['name', null, 'account'],
      }),
    );
    await fireEvent.change(screen.getByLabelText('What “Held at” holds'), {
      target: { value: 'expires_at' },
    });
    await waitFor(() =>
      expect(posts(asked, '/api/names/preview').at(-1)).toMatchObject({
        kinds: ['name', null, 'expires_at'],
      }),
    );
    await waitFor(() => expect(screen.getByText('Add 2 names')).toHaveProperty('disabled', false));
    await fireEvent.click(screen.getByText('Add 2 names'));
    await screen.findByText('2 added.');
    const [body] = posts(asked, '/api/names') as [{ accounts: object; order: string }];
    expect(body.accounts).toEqual({ 'Old Pier': 'new' });
    expect(body.order).toBe('day');
    expect(screen.getByText(/No source has told anything of 1 of them yet/)).toBeTruthy();
  });

  it('belong to nobody where there is no account: a link says where to begin', async () => {
    server({ 'GET /api/accounts': { accounts: [], hosts: [] } });
    show(Import, {});
    expect(await screen.findByText('Begin with one')).toBeTruthy();
  });
});

describe('a receipt', () => {
  it('is noted for several moves in one sum', async () => {
    const asked = server({
      'GET /api/accounts': { accounts: [{ id: 'a', title: 'Tide Names' }], hosts: [] },
      'POST /api/ledger': {},
    });
    const lines = ['pier', 'quay', 'moor'].map((n, id) => ({ id, unicode: `${n}.example` }));
    show(NoteEntry, { lines, done: () => {} });
    await fireEvent.click(await screen.findByLabelText('pier.example'));
    await fireEvent.input(screen.getByLabelText('Names that hold …'), {
      target: { value: 'moor' },
    });
    expect(screen.queryByLabelText('quay.example')).toBeNull();
    await fireEvent.click(screen.getByLabelText('moor.example'));
    await fireEvent.input(screen.getByLabelText('Amount'), { target: { value: '1.250,00' } });
    await fireEvent.click(screen.getByText('Note it for 2 moves'));
    await waitFor(() => expect(posts(asked, '/api/ledger')).toHaveLength(1));
    expect(posts(asked, '/api/ledger')[0]).toMatchObject({
      moves: [0, 2],
      amount: { minor: 125_000, currency: 'EUR' },
    });
  });
});
