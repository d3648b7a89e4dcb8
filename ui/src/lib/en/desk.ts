import { counted, type V } from './value';

/** Words of the views in views/desk. */
export const card = {
  publicSince: (a: V, b: V) => `The contacts are public for ${a}${b}.`,
  approve: 'Approve',
  approveOf: (a: V) => `Approve the release of ${a}`,
  openMoveOf: (a: V) => `See the move of ${a}`,
  ifYouAct: (a: V) => `Done ${a} if you act today`,
  heldUp: (a: V) => `${a} is held up`,
  overConsent: ', longer than the owner consented to',
};
export const desk = {
  lane: (a: V, n: number) => `${a}: ${n}`,
  beginTitle: 'Begin here: from nothing to the first judged name.',
  changedOutside: (n: number) =>
    n === 1 ? '1 change in the public record' : `${n} changes in public records`,
  head: (n: number) =>
    n === 0
      ? 'Nothing wants you now.'
      : n === 1
        ? 'One thing wants you.'
        : `${counted(n)} things want you.`,
  headOfTeam: (n: number) =>
    n === 0
      ? 'Nothing wants anybody here now.'
      : n === 1
        ? 'One thing wants somebody here.'
        : `${counted(n)} things want somebody here.`,
  notRead: 'Not all that wants you could be read.',
  heldUp: (n: number) =>
    n === 0 ? '' : n === 1 ? ' One move is held up.' : ` ${counted(n)} moves are held up.`,
  quiet: 'Nothing is under way.',
  quietNames: 'Choose a name under Names',
  andPlan: 'and plan its move.',
  endedLately: (n: number) => (n === 1 ? '1 move ended lately' : `${n} ended lately`),
  openBatch: 'Open the batch',
  mine: 'Mine',
  team: 'Team',
  whose: 'Whose moves',
  emptyYours: 'Approvals and decisions that only you can give will stand here.',
  emptyTheirs: 'What registrars and registries have to do will stand here.',
  whatTheDeskDoesNext: 'What the desk does next will stand here.',
  emptyClock: 'What only needs time will stand here.',
  nothing: 'Nothing now.',
};
export const gathered = {
  privacyBack: (a: V) => `Turn the privacy service on for ${a}: the consent has ended`,
  publicTooLong: (a: V) => `Public longer than the owner consented to: ${a}.`,
  openTask: 'Open',
  recordConsentOf: (a: V) => `Record the owner’s consent for ${a}`,
  remindTheLetterAboutIs: (a: V, b: V) => `Remind ${a}: no answer to the email about ${b}`,
  remind: 'Send a reminder',
  writeTo: (a: V, b: V) => `Write to ${a} for ${b}`,
  leftAt: (a: V, b: V) => `See to what is left at ${a} of ${b}`,
  registrars: (n: number) => `${n} registrars`,
  tasksAt: (n: number, place: V) => (n === 1 ? `1 task at ${place}` : `${n} tasks at ${place}`),
  writeTheLetter: 'Write the email',
  oneName: '1 name',
  names: (a: V) => `${a} names`,
};
export const stray = {
  strayBegins: 'Somebody asked for the transfer of',
  strayEnds: ', and nobody here ordered it.',
  strayBy: (a: V) => `It was asked for by ${a}.`,
  notShown: 'The public record has not shown it so far; some never do.',
  silenceLetsItGo: 'Unless it is refused, it goes ahead',
  reckoned: ' (reckoned: nobody told its deadline)',
  refusalByHand: (a: V) => `Refuse it at ${a}, on its pages or by its support.`,
  refusedByWord: 'Said to be refused',
  untilItShows: '. The alarm stands until that shows.',
  refuseTransfer: 'Refuse the transfer',
  noteRefusal: (a: V) => `I have refused it at ${a}`,
  yesRefuse: (a: V) => `Yes, ${a} stays here`,
  expect: 'It is expected',
  orderedBy: 'Who ordered it',
  yesExpected: 'Yes, this transfer is expected',
  notExpectedAfterAll: 'It is not expected after all',
  expectedBegins: 'The transfer of',
  expectedEnds: (who: V, by: V) => `is expected: ${who} ordered it, says ${by}.`,
  goesAhead: 'It goes ahead by itself',
  codeElsewhere: 'Somebody else has the authorization code of',
  howItEnded: (how: string) =>
    how === 'refused' ? ', whose transfer was refused.' : ', whose transfer has ended.',
  safeOnly: (at: V, left: string) => `Not safe until ${left} at ${at}.`,
  left: {
    lock: 'the transfer lock is seen to be on',
    code: 'another code is set',
  },
  and: ' and ',
  makeItSafe: 'Lock it and set another code',
  codeIsSet: 'Another code is set',
};
export const company = {
  yourHands: 'In your hands',
  inHand: (a: V) => `In the hands of ${a}`,
  alsoHere: (a: V) => `Also looking at this: ${a}`,
  handOn: 'Assign',
  to: 'To',
  note: 'Note',
  leaveIt: 'Cancel',
};
/** Of a name that two codes came for. */
export const twoCodes = {
  twoCodes: 'Two codes for one name',
  aboutTwoCodes:
    'A code came that differs from the one that is held. Nothing was replaced. Where a ' +
    'registry can be asked, the code is checked before it is used; else compare with what ' +
    'the registrar shows, and choose.',
  heldSince: 'One is held since',
  laterFrom: (a: V) => `the later one came from ${a}`,
  takeLater: 'Take the later one',
  takeLaterOf: (a: V) => `Take the later code of ${a}`,
  yesTakeLater: 'Take it, and wipe the one that is held',
  keepHeld: 'Keep the one that is held',
  keepHeldOf: (a: V) => `Keep the code of ${a} that is held`,
  yesKeepHeld: 'Keep it, and wipe the later one',
};
