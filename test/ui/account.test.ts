import { screen } from '@testing-library/svelte';
import { describe, expect, it, vi } from 'vitest';
import AccountForm from '../../ui/src/views/accounts/AccountForm.svelte';
import { blank, changed, fields, written, type Whole } from '../../ui/src/views/accounts/account';
import { read, shown } from '../../ui/src/views/accounts/habits';
import { habit, HABITS } from './support/habits';
import { server, show } from './support/server';

const held: Whole = {
  id: 'a1',
  title: 'Quern Names',
  registrar: 'Quern Names',
  kind: 'epp',
  connection: { host: 'epp.quern.example', port: 700, client: 'ada' },
  habits: {
    login: 'ada',
    code_takes: [60, 90, 3600],
    contacts_late: 5400,
    ways: { unlock: 'letter' },
    privacy_service: { title: 'Hood', identity: false },
  },
  prices: { currency: 'EUR', renew: 1500, transfer: 0 },
  sender_domains: ['quern.example'],
  has_password: true,
};

describe('an account that is changed in place', () => {
  // field, what is typed => what is sent
  const rows: [string, string, object][] = [
    ['login', 'ada', {}],
    ['login', '', { habits: { login: null } }],
    ['renew', '15', {}],
    ['renew', '16.5', { prices: { renew: 1650 } }],
    ['renew', '', { prices: { renew: null } }],
    ['port', '701', { connection: { port: 701 } }],
    ['title', '麦粉', { title: '麦粉' }],
    ['senders', '', { sender_domains: [] }],
    ['password', 'anew', { password: 'anew' }],
    ['reads', 'no', { habits: { reads_contacts: false } }],
    ['service', '', { habits: { privacy_service: null } }],
  ];
  it.each(rows)('%s “%s” sends only itself', (key, text, sent) => {
    const form = written(held, HABITS);
    const first = fields(form, HABITS);
    expect(changed(first, fields({ ...form, f: { ...form.f, [key]: text } }, HABITS))).toEqual(
      sent,
    );
  });

  it('says what it was given, and a blank form says nothing of prices and habits', () => {
    expect(fields(written(held, HABITS), HABITS)).toMatchObject({
      habits: held.habits,
      prices: held.prices,
    });
    expect(fields(blank(), HABITS).prices).toMatchObject({
      currency: 'EUR',
      renew: null,
      transfer: null,
    });
  });
});

describe('the habits of an account', () => {
  // what is held, what is typed over its texts => what is kept
  const rows: [object, Record<string, string>, object][] = [
    [{}, {}, {}],
    [{}, { suffixes: '.Org, net' }, { suffixes: ['org', 'net'] }],
    [{}, { registrar_names: 'Tide; Tide Names ' }, { registrar_names: ['Tide', 'Tide Names'] }],
    [{}, { code_takes: '1, 10' }, {}],
    [{ contacts_late: 5400 }, {}, { contacts_late: 5400 }],
    [{}, { contacts_late: '1.5' }, { contacts_late: 5400 }],
    [{ reads_contacts: false }, {}, { reads_contacts: false }],
    [
      { ways: { order: 'page' } },
      { way_unlock: 'letter' },
      { ways: { order: 'page', unlock: 'letter' } },
    ],
    [{ ways: { order: 'page', unlock: 'page' } }, { way_unlock: '' }, { ways: { order: 'page' } }],
    [{}, { list_separator: ';' }, { list: { separator: ';', quoting: 'needed' } }],
    [
      { list: { separator: ',', quoting: 'never' } },
      {},
      { list: { separator: ',', quoting: 'never' } },
    ],
    [{ confirms: ['link', 'code'] }, { confirm_link: 'no' }, { confirms: ['code'] }],
    [{ privacy_service: { title: 'Hood', identity: true } }, { service: '' }, {}],
    [{}, { service_identity: 'yes' }, {}],
    [{}, { aim_lock: 'off' }, { aims: { lock: 'off' } }],
  ];
  it.each(rows)('%j with %j is kept as %j', (held, typed, kept) => {
    const texts = { ...shown(HABITS, held as Record<string, unknown>), ...typed };
    const said = Object.entries(read(HABITS, texts, held as Record<string, unknown>));
    expect(Object.fromEntries(said.filter(([, v]) => v !== null))).toEqual(kept);
  });

  it('one more that is declared has its field, and is sent', async () => {
    const asked = server({ 'POST /api/accounts/a1': { id: 'a1' } });
    const more = habit('queue_days', 'digits', { label: 'Days in its queue' });
    show(AccountForm, { held, habits: [...HABITS, more], done: vi.fn() });
    const field = screen.getByLabelText<HTMLInputElement>('Days in its queue');
    field.value = '3';
    field.dispatchEvent(new Event('input', { bubbles: true }));
    screen.getByRole('button', { name: /save/i }).click();
    await vi.waitFor(() => {
      expect(asked.find((a) => a.method === 'POST')?.body).toEqual({ habits: { queue_days: '3' } });
    });
  });
});
