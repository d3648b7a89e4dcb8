import type { V } from './value';

/** Words of the frame, shared parts and signing in. */
export const api = {
  noReply: 'The desk does not answer. Is it still running?',
  badReply: (a: V) => `The desk answered ${a}.`,
};
export const app = {
  steadyMove: 'Steady Move',
};
export const arrive = {
  title: (a: V) => `${a} · Steady Move`,
};
export const copy = {
  copy: (a: V) => `Copy ${a}`,
  copied: 'Copied',
  copy2: 'Copy',
};
export const deadlineBar = {
  late: 'late',
  left: (a: V) => `${a} left`,
};
export const forGood = {
  notNow: 'Not now',
  releaseOf: (what: V) => `Yes, release ${what}; this can’t be taken back`,
  release: (name: V, to: V) => `Yes, release ${name} to ${to}; this can’t be taken back`,
};
export const frame = {
  skip: 'Skip to the view',
  skipToFirst: 'Skip to the first row or act',
  cutOff: 'The line to the desk is cut; what you see may be old. It is being opened again.',
};
export const answers = {
  inShort: 'In short',
  sections: 'Sections',
  ifYouAct: 'Done, if you act today',
  acting: (a: V) => `if you act today: ${a}`,
  ifNobody: {
    lands: (a: V) => `if nobody does: ${a}`,
    lapses: () => 'if nobody does, the transfer lapses',
    stays: () => 'if nobody does, it does not go on',
  },
  youAct: 'you act today',
  usually: '8 in 10 end',
  nobody: 'nobody acts',
  expires: (a: V) => `it expires on ${a}`,
  doneBy: 'Done by',
  range: (a: V, b: V) => `8 in 10: ${a} to ${b}`,
  siteAndMail: 'Site and mail',
  cost: 'Cost',
  result: 'Expiry',
  notKnown: 'not known',
};
export const gateMark = {
  wait: 'Wait',
  waitKnown: 'Wait until it is known',
  onTheWay: (a: number) =>
    a === 1 ? 'the desk does 1 thing on the way' : `the desk does ${a} things on the way`,
};
export const keys = {
  searchAll: 'Search names, moves, views and acts',
  keysThese: 'These keys',
  keysViews: 'The views, in the order of the bar',
  skipToSheet: 'From the list to the sheet beside it',
  atAVisit: 'At a visit: copy the next value, next task',
  keysWalk: 'Walk down and up the list',
  keysOpen: 'Open what the walk stands on',
  keysTray: 'Put the name into the tray, or take it out',
  keysPlan: 'Plan the tray',
  keysDate: 'To the what-if date',
  keysEvidence: 'Show or hide the evidence',
  esc: 'Esc',
  closeSheet: 'Close the sheet',
};
export const help = {
  pages: 'Pages of the guide',
  noSuchPage: 'There is no such page in the guide',
};
export const values = {
  notCopied: (why: V) => `It could not be copied: ${why}`,
  hidden: 'hidden until it is copied',
  copied: (what: V) => `Copied: ${what}.`,
};
export const companion = {
  of: (a: V, b: V) => `${a} of ${b}`,
  left: (n: V) => (n === 0 ? '' : `${n} left`),
  progress: 'How far this visit is',
  back: 'Back to the desk',
};
export const keysHelp = {
  keys: 'Keys and words',
  words: 'Words',
  guide: 'The guide',
  singleKeys: 'Single keys do something (Esc, Enter and arrows always do)',
};
export const more = {
  showMore: 'Show more',
};
export const nowhere = {
  notFound: 'There is nothing at this address',
  notFoundWhy: 'The link may be old.',
  toDesk: 'Go to the Desk',
};
export const palette = {
  search: 'Search',
  searchAll: 'Search names, moves, views and acts',
  searchHint: 'A name, a move, something to do',
  found: 'Found',
  nothingHolds: (a: V) => `Nothing matches “${a}”.`,
  addNames: 'Add names',
  pasteCodes: 'Paste a list of codes',
  registrars: 'Registrars and their prices',
  dnsHosts: 'DNS hosts',
  invite: 'Invite somebody, and people’s roles',
  mailbox: 'Mailbox and outgoing mail',
  records: 'Public record services',
  rates: 'Exchange rates and holidays',
  webhooks: 'What other programs are told',
  overrule: 'Overrule a rule',
  calendar: 'Your calendar',
  tokens: 'Your tokens',
  password: 'Your password and second factors',
  notices: 'When you are told by mail',
  begin: 'Begin from nothing',
  act: 'here',
  moves: 'Moves',
  names: 'Names',
  places: 'Views and acts',
  helpTitle: 'Help',
  more: (n: V, a: string) => `${n} more of ${a.toLowerCase()}`,
  view: 'view',
  help: 'help',
  moveTo: (a: V, b: V) => `move to ${a}: ${b}`,
};
export const practiceClock = {
  practiceClock: 'Practice clock',
  clockAt: (a: V) => `Practice clock: ${a}`,
  n15Min: '+15 min',
  n1Day: '+1 day',
  nothingAhead: 'Nothing is to come.',
  theNextEventIsAway: (a: V) =>
    `Until something new happens; the first event or check is ${a} away`,
  nextEvent: 'To next event',
  clockMoving: 'The practice clock is moving',
};
export const waiting = {
  reading: 'Reading what stands here …',
  long: 'The desk has not answered for ten seconds. What you typed is kept.',
  again: 'Try again',
  upgraded: 'The desk was updated while this page was open; this part of it is gone.',
  reload: 'Load the page again',
};
export const beforeAfter = {
  title: 'What changes',
  becomes: 'becomes ',
  registrar: 'Registrar',
  year: 'Cost',
  expiry: 'Expiry',
  nameServers: 'Name servers',
};
export const stageLine = {
  title: 'The stages of the move',
  about: (a: V) => `about ${a}`,
};
export const reading = {
  day: (a: V, b: V) => `“${a}” is no day here; write one like ${b}.`,
  eitherDay: (a: V, b: V, c: V) => `“${a}” is ${b} or ${c}; write the month in letters.`,
  tooEarly: (a: V) => `A day from ${a} on is expected.`,
  amount: (a: V, b: V) => `“${a}” is no amount here; write one like ${b}.`,
  eitherAmount: (a: V) => `“${a}” could be read two ways; write it without a mark for thousands.`,
  dayLike: 'day month year',
  calendar: 'Choose from the calendar',
  calendarOf: (a: V) => `Choose from the calendar${a ? `: ${a}` : ''}`,
};
export const ruler = {
  open: (a: V) => `Open ${a}`,
  windowMissing: 'No open window',
  dark: (a: V) => `not known ${a}`,
  soft: (a: V) => `soft ${a}`,
  expires: (a: V) => `expires ${a}`,
  to: (a: V, b: V) => `${a} to ${b}`,
};
export const sheet = {
  closeEsc: 'Close (Esc)',
  close: 'Close',
};
export const passwordAgain = {
  title: 'Your password once more',
  says: 'What you are about to do weighs much. You won’t be asked again for five minutes.',
  password: 'Password',
  goOn: 'Go on',
};
export const stale = {
  somethingChangedSince: 'Something that this rests on has changed since it was worked out.',
  recalculate: 'Work it out again',
};
export const topBar = {
  views: 'Views',
  steadyMove: 'Steady Move',
  desk: 'Desk',
  names: 'Names',
  moves: 'Moves',
  byHand: 'By hand',
  records: 'Records',
  post: 'Post',
  rulebook: 'Rulebook',
  accounts: 'Accounts',
  status: 'Status',
  practice: 'Practice',
  codeSafe: 'Code safe',
  help: 'Help',
  more: 'More',
  searchAll: 'Search names, moves and views (/)',
  search: 'Search',
  allKeys: 'All keys (?)',
  keys: 'Keys',
  light: 'Light',
  dark: 'Dark',
  signOut: 'Sign out',
  you: 'Your sign-in and settings',
};
export const unsaved = {
  title: 'What you typed is not saved',
  says: 'It would be lost if you left this page now.',
  leave: 'Leave, and lose it',
  stay: 'Stay here',
};
export const words = {
  unknown: 'a browser that does not say what it is',
  oneDay: '1 day',
  days: (a: V) => `${a} days`,
  underMinute: 'less than a minute',
  now: (a: V) => `${a} · now`,
  in: (a: V, b: V) => `${b} · in ${a}`,
  ago: (a: V, b: V) => `${b} · ${a} ago`,
  utc: (a: V, b: V) => `${a} (UTC${b})`,
  ready: 'Ready',
  needsYou: 'Needs you',
  unknownFacts: 'Not known yet',
  waitUntil: 'Wait until',
  blocked: 'Blocked',
  moving: 'On the move',
  until: {
    'by-itself': (a: V) => `approved by itself on ${a}`,
    late: (a: V) => `late after ${a}`,
    over: (a: V) => `until ${a}`,
  },
  goesOnByItself: 'Approved by itself',
  lateAfter: 'Late',
  lateSince: 'Became late',
  overBy: 'Over',
  overSince: 'Was to be over',
  yours: 'Yours',
  theirs: 'Theirs',
  theDesks: 'The desk’s',
  ofClock: 'The clock’s',
};
/** What views are called. */
export const views = {
  approvals: 'Approvals',
  batches: 'Batches',
  ledger: 'Ledger',
};
