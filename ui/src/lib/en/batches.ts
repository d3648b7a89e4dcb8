import { counted, type V } from './value';

const names = (n: number) => (n === 1 ? '1 name' : `${n} names`);

/** Words of batches: the list, a sheet, its review. */
export const batches = {
  head: (n: number, running: number) =>
    n === 0
      ? 'No batch yet.'
      : `${counted(n)} batch${n === 1 ? '' : 'es'}, ` +
        `${running ? counted(running).toLowerCase() : 'none'} of them running.`,
  none: 'No batch yet. Pick names in the list (x), then plan them together from the tray (p).',
  names,
  comma: ', ',
  by: (a: V, b: V) => `made by ${a} on ${b}`,
  moving: (n: number) => `${n} moving`,
  settled: (n: number) => `${n} settled`,
  states: {
    draft: 'Not started',
    asked: 'A second person is asked',
    running: 'Running',
    halted: 'Halted',
    closed: 'Closed',
  } as Record<string, string>,
};
export const newBatch = {
  noHost: 'None: only names whose zone stays',
  title: (n: number) => `Plan ${names(n)}`,
  empty: 'The tray is empty. Pick names in the list (x), then plan them here.',
  called: 'Title',
  to: 'To the account',
  host: 'Records of names whose zone would end go to',
  make: 'See what it would do',
  historyEmpty: 'Nothing is started by this: the next page shows the whole plan and what it costs.',
};
export const batch = {
  lookingAt: (a: number, b: number) => `${a} of ${b} ${b === 1 ? 'name' : 'names'} checked.`,
  again: 'Work it out again',
  canStart: (a: number, b: number, sum: string) =>
    `${a} of ${b} ${b === 1 ? 'name' : 'names'} can start` + (sum ? `, for ${sum} together.` : '.'),
  settledOf: (a: number, b: number) => `${a} of ${names(b)} settled.`,
  saving: (a: V) => `Saves ${a} against staying a year.`,
  and: ' and ',
  unpriced: (n: number) =>
    ` ${n === 1 ? '1 price is' : `${n} prices are`} not known and not in the sum.`,
  uncompared: (n: number) =>
    ` The saving leaves out ${names(n)} whose price to stay is not known or in another currency.`,
  priceNotKnown: 'price not known',
  doneBetween: (a: V, b: V, c: V) => `All done between ${a} and ${c} (8 in 10), usually by ${b}.`,
  start: (n: number, sum: V) => `Start ${names(n)} for ${sum}`,
  ask: (n: number, sum: V) => `Ask a second person to start ${names(n)} for ${sum}`,
  asked: (who: V) => `${who} wants to start this; a second person has to agree.`,
  agree: 'Agree and start',
  goOn: 'Let it go on',
  halt: 'Start no further names',
  close: 'Close the batch',
  order: 'What happens in which order',
  wave: (n: number) => `Wave ${n}`,
  why: {
    trial: 'on trial',
    first: 'at once',
    after: 'once the name on trial has landed',
    limit: 'the day before is full',
    blackout: 'after a black-out span',
    together: 'after the names they depend on',
    expiry: 'at once: they expire soon',
  },
  renewFirst: 'Renew it first',
  acceptRisk: 'Go all the same',
  fromTo: (wave: V, start: V, usual: V, last: V) =>
    `Wave ${wave}: starts ${start}, usually done by ${usual}; 8 in 10 by ${last}`,
  byExpiry: 'By expiry',
  when: 'When',
  expires: 'Expires',
  youDo: 'You do',
  theyDo: 'They do',
  moreNames: (n: V) => `${n} more`,
  harms: {
    lost: 'A name, site or mail may be lost',
    held: 'A transfer may be held up',
    money: 'It costs more',
    known: 'To be known',
  } as Record<string, string>,
  noteForAll: (n: number) => (n === 1 ? 'Note it for this name' : `Note it for these ${n} names`),
  inTheTray: (n: number) => (n === 1 ? 'Take up this name' : `Take up these ${n} names`),
  risks: 'What could go wrong',
  noRisks: 'Nothing is known that speaks against it.',
  ofNames: (n: number) => `${names(n)}`,
  asks: 'What is asked of whom',
  you: 'Here, at the desk',
  noAsks: 'Nothing: the desk does it all.',
  money: 'What it costs where',
  where: 'Where',
  count: 'Names',
  cost: 'Cost',
  saves: 'Saves',
  leftOut: 'What is left out',
  hostFor: (n: number) => `DNS host for the records of ${names(n)}`,
  chooseHost: 'choose one',
  renewAllFirst: (n: V) => `Renew these ${n} names first`,
  members: 'Names',
  change: 'Change',
  hold: 'Hold back',
  release: 'Let go on',
  tryAgain: 'Try it again',
  drop: 'Take out',
  elsewhere: 'Elsewhere',
  usual: 'As the batch',
  states: { in: 'in the batch', held: 'held back', dropped: 'taken out' } as Record<string, string>,
  settings: 'How it is done',
  perDay: 'At most a day at one registrar',
  trial: 'One name first, on trial',
  blackouts: 'Black-out spans: first and last day, one a line',
  blackoutForm: 'for example 20 Apr 2027 to 2 May 2027',
  limit: 'Spending limit; above it a second person agrees',
  keep: 'Save',
  journal: 'Journal',
  forecast: 'When it will all be done',
  badSpan: (a: V) => `“${a}” is no span: two days such as 20 Apr 2027 to 2 May 2027 are expected.`,
};
export const compare = {
  summary: 'Compare destinations, one to ten years ahead',
  years: 'Years',
  linesMean:
    'Each line is all names together: those that the destination takes at a known price go there, the others stay ' +
    'where they are. Sums in different currencies are never added up.',
  picture: (a: V) => `What it has cost after each year, in ${a}`,
  name: 'Name',
  stay: 'Staying',
  cheapest: 'Cheapest',
  after: (n: number) => (n === 1 ? 'after 1 year' : `after ${n} years`),
  breakEven: 'Pays off',
  year: (n: number) => `in year ${n}`,
  staysHere: 'staying, or nothing to compare',
  notKnown: 'not known',
  notTaken: 'What a destination can’t take, and why',
  why: {
    suffix: (a: V, n: number) =>
      `${a} does not take ${n === 1 ? 'this suffix' : 'these suffixes'}:`,
    premium: (a: V) => `${a}: the registry asks its own price of these; ask for it:`,
    price: (a: V) =>
      `${a}: no price is known; note it at the account, or paste its price list there:`,
  } as Record<string, (a: V, n: number) => string>,
  send: (n: number) => `Send ${names(n)} where they are cheapest`,
};
export const rehearsal = {
  summary: 'Rehearse it',
  what:
    'A copy of this plan runs a hundred times at full speed, with the habits of these registrars and ' +
    'with faults drawn as often as they come in practice. Nothing outside is touched.',
  run: 'Rehearse it a hundred times',
  far: (a: number, b: number) => `${a} of ${b} runs done.`,
  took: (n: V, a: V, b: V, c: V) =>
    `In 8 of 10 of ${n} runs all was done between ${a} and ${c}, usually by ${b}.`,
  endings: {
    settled: 'settled',
    refused: 'refused and made safe',
    'called-off': 'cancelled',
    stuck: 'without an end',
  } as Record<string, string>,
  ended: (a: V, n: number) => ` ${n} of 100 moves ${a}.`,
  wrong: 'What went wrong, and how often',
  nothing: 'Nothing went wrong.',
  inHundred: (n: number) => `${n} of 100`,
  asked: 'What was asked of people, and when',
};
export const movesNav = {
  label: 'Moves',
  moves: 'All moves',
  approvals: 'Approvals',
  batches: 'Batches',
  ledger: 'Ledger',
};
