import type { V } from './value';

/** Words of adding names. */
export const takeIn = {
  takeNamesIn: 'Add names',
  eachNameIsLookedUp:
    'Names in any spelling, parted by anything, or a table with whatever columns it has. You ' +
    'see what was understood before anything is added; each name is then checked in its ' +
    'account and in the public record.',
  holder: 'Account that holds them',
  noAccount: 'There is no account yet.',
  beginWithOne: 'Begin with one',
  pasted: 'Names, or a table',
  fromFile: 'From a file',
  orDrop: 'or drop it here',
  looking: 'Looking …',
  sum: (n: { new: number; known: number; twice: number; no_name: number; unread: number }) => {
    const need = n.unread + n.twice;
    const parts = [
      n.new && `${n.new} new`,
      n.known && `${n.known} on the list already`,
      need && (need === 1 ? '1 needs a look' : `${need} need a look`),
      n.no_name && (n.no_name === 1 ? '1 is no name' : `${n.no_name} are no names`),
    ];
    return `${parts.filter(Boolean).join(', ') || 'Nothing to add'}.`;
  },
  asNames: 'Read it as names alone',
  asTable: 'Read it as a table',
  whichDay: (sample: string) => `“${sample}” is`,
  orders: { day: 'day before month', month: 'month before day' },
  whichSum: (sample: string) => `“${sample}” is`,
  fraction: (n: string) => `${n}, a fraction`,
  thousands: (n: string) => `${n}, in thousands`,
  whichCurrency: (sample: string) => `“${sample}” is in which currency?`,
  currency: 'Currency, three letters',
  registrars: 'Registrars, as the table calls them',
  registrar: (given: string, n: number) => `${given} (${n === 1 ? '1 name' : `${n} names`})`,
  newAccount: 'a new account, kept by hand',
  leaveTheirs: 'leave these out',
  clear: 'An empty cell takes back what was noted before',
  rows: 'Rows, as they were understood',
  fate: 'What becomes of it',
  fates: {
    new: 'Added',
    known: 'On the list',
    twice: 'Twice',
    no_name: 'No name',
    out: 'Left out',
  },
  column: (n: number) => `Column ${n}`,
  /** What a column of a pasted table holds. */
  kinds: {
    name: 'Name',
    account: 'Registrar or account',
    expires_at: 'Expiry',
    stay_price: 'A year there costs',
    currency: 'Currency',
    auto_renew: 'Auto-renew',
    lock: 'Transfer lock',
    privacy: 'Privacy service',
    registrant_email: 'Registrant’s email',
    admin_email: 'Administrative email',
    technical_email: 'Technical email',
    paid: 'Last period paid',
    premium: 'Registry’s own price',
    name_servers: 'Name servers',
    client: 'Client',
    note: 'Note',
  } as Record<string, string>,
  holds: (head: string) => `What “${head}” holds`,
  notTaken: 'is not taken',
  leave: 'leave out',
  take: 'take it',
  leaveRow: (line: number) => `Leave out line ${line}`,
  takeRow: (line: number) => `Take line ${line}`,
  cell: (line: number, head: string, what: string) => `Line ${line}, ${head}: ${what}`,
  wanted: {
    date: 'a date, such as 2027-03-01',
    price: 'a price, such as 9.90 EUR',
    flag: 'yes or no',
    address: 'an email address',
    hosts: 'hosts, such as ns1.tide.example',
    text: 'a shorter text',
  },
  others: (n: number) => (n === 1 ? 'and 1 more row that is fine' : `and ${n} more rows`),
  add: (n: { new: number; known: number }) =>
    n.new || !n.known
      ? `Add ${n.new === 1 ? '1 name' : `${n.new} names`}`
      : `Note this for ${n.known === 1 ? '1 name' : `${n.known} names`}`,
  unread: (n: number) =>
    n === 1
      ? 'In 1 row a cell can’t be read; it stays out.'
      : `In ${n} rows a cell can’t be read; it stays out.`,
  outcome: 'What came of it',
  last: 'The last imports',
  came: (added: number, updated: number) =>
    `${added} added${updated ? `, ${updated} on the list already` : ''}.`,
  keeping: (a: V, b: V) => `${a} of ${b} kept.`,
  ofLookedUp: (a: V, b: V) => `${a} of ${b} checked.`,
  later: (n: number) =>
    n === 1
      ? 'No source has told anything of 1 of them yet; it is asked again.'
      : `No source has told anything of ${n} of them yet; they are asked again, a few a minute.`,
  made: (titles: string[]) => `New accounts: ${titles.join(', ')}.`,
  wentOff: (n: number) =>
    n === 1 ? '1 went off the list again:' : `${n} went off the list again:`,
  andMore: (n: number) => `and ${n} more`,
  undo: 'Undo this import',
  undoSure: (n: number) => `Take ${n === 1 ? '1 name' : `${n} names`} off again`,
  undone: 'This import was undone.',
};
