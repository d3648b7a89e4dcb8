import { describe, expect, it } from 'vitest';
import { blank, changed, fields, written, type Whole } from '../../ui/src/views/accounts/account';

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
    const form = written(held);
    const first = fields(form);
    expect(changed(first, fields({ ...form, f: { ...form.f, [key]: text } }))).toEqual(sent);
  });

  it('says what it was given, and a blank form says nothing of prices and habits', () => {
    expect(fields(written(held))).toMatchObject({ habits: held.habits, prices: held.prices });
    expect(fields(blank()).prices).toMatchObject({ currency: 'EUR', renew: null, transfer: null });
  });
});
