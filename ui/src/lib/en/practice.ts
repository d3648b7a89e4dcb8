import { counted } from './value';

/** Words of the practice world and the status. */
export const practice = {
  head: 'Registrars, registries, servers and mail to practise with.',
  nothingAhead: 'Nothing is to come.',
  practice: 'Practice',
  worldIntro:
    'Everything outside the desk is played by a practice world on this machine, over the same open ' +
    'protocols as the real ones. Move its clock on in the bar above.',
  upcoming: 'The next event comes',
  counters: 'Counters',
  pagesIntro:
    'Where a person does by hand what the desk says. These pages belong to the practice world, each ' +
    'with its own sign-in.',
  counter: 'Counter',
  name: 'Sign-in name',
  password: 'Password',
  happenings: 'Happenings',
  letItHappen:
    'Each happens once, and a quarter of an hour passes; then see the Desk and the Post.',
  aStranger: 'Somebody else orders the transfer of nightboat-saltern.example, with its code',
  aForgery: 'An email comes under a registrar’s name, sent by another server',
  anOffer: 'A registrar offers a discount to stay',
  letHappen: 'Let it happen',
  faults: 'Faults',
  faultsIntro: 'Switch one on and see what the desk says and does. Nothing is lost while it lasts.',
};
export const status = {
  head: (bad: number, unknown: number) =>
    (bad === 0
      ? unknown
        ? 'Nothing is known to be wrong.'
        : 'All that is checked is well.'
      : bad === 1
        ? 'One thing is not well.'
        : `${counted(bad)} things are not well.`) +
    (unknown ? ` ${counted(unknown)} not known yet.` : ''),
  status: 'Status',
  deskTitle: 'The desk itself',
  version: 'Version',
  journal: 'Journal',
  whole: (a: number, b: number) =>
    a >= b
      ? 'Whole: every line fits the one before.'
      : `Whole up to line ${a} of ${b}; the rest is being checked.`,
  damaged: (a: number) => `Damaged: the line after line ${a} was changed behind its back.`,
  underWay: 'Under way',
  dueNow: ', something is due',
  well: 'well',
  notWell: 'not well',
  notKnown: 'not known',
  since: 'since',
  connections: 'Connections',
  connection: 'Connection',
  over: 'Over',
  said: 'What it said',
  lastWell: 'Last answered',
  never: 'never yet',
  connectionsEmpty: 'No account is connected yet.',
  lastProblems: 'Last problems',
  when: 'When',
  name: 'Name',
  what: 'What went wrong',
  none: 'None.',
  moves: (a: number) => (a === 1 ? '1 move' : `${a} moves`),
};
