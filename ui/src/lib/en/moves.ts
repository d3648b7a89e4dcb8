import { counted, type V } from './value';

/** Words of the views in views/moves. */
export const checks = {
  accepted: (a: V) => `accepted: ${a}`,
  landingChecks: 'Checked after landing',
  checked: 'Checked',
  asOrdered: 'As ordered',
  asFound: 'As found',
  agrees: 'agrees',
  notSeen: 'not known',
  differs: 'differs',
};
export const journal = {
  by: (a: V) => `by ${a}`,
  byWordOf: (a: V) => `on the word of ${a}`,
  key: 'key',
  aboutTo: 'about to',
  calledOff: 'cancelled',
  takenIn: 'added',
  imported: 'imported',
  undone: 'undone',
  answered: 'answered',
  seeImport: 'See it, or undo it',
};
export const leave = {
  not: 'Not now',
  why: 'Why it stays as it is',
  leaveIt: 'Leave it as it is',
  leaveAsIs: 'Leave it as it is …',
  canNotBeMet: (a: V) => `If “${a}” can’t be met, it can be left as it is, with your reason.`,
};
export const whoseRegistrar = {
  otherwise: (a: V) => `If ${a} is nobody you know, write to both registrars at once. Else:`,
  itIs: (a: V) => `That is ${a}`,
};
export const handOver = {
  show: 'Show the hand-over sheet, once',
  theSheet: 'The hand-over sheet',
  shownOnce:
    'It is shown once: give it to whoever takes the name. The code is not kept here any more.',
};
export const over = {
  howDidItEnd: 'Check the pages of both registrars: how did this transfer end?',
  whatFollows: 'The name is then made safe again where it is: nothing pending, lock on.',
  ways: [
    ['refused', 'It was refused'],
    ['lapsed', 'It lapsed'],
    ['cancelled', 'It was cancelled'],
  ] as const,
  yes: (a: V) => `Yes: ${a}, and the name is made safe again`,
};
export const moveSheet = {
  revision: 'Learnt since it was planned',
  revise: 'Let the plan follow it',
  revisedWhat: 'What was begun or done stays as it is.',
  tellWhenOpen: 'Tell me the minute it can be approved',
  approveScope: (a: V) =>
    `The desk can approve this one release over the connection to ${a} as soon as it is asked for; ` +
    'that ends with this move, and can be taken back until then.',
  approveThen: (a: V) => `Yes, approve the release of ${a} then`,
  willBeApproved: (a: V) => `It is approved as soon as it is asked for: ${a} wants it so.`,
  willBeTold: (a: V) => `${a} is told by email the minute it can be approved.`,
  withdraw: 'Take it back',
  approveEarly: 'Approve as soon as it is asked',
  haveItMended: 'Have it put right',
  itIsHeldThereNow: (a: V) => `It is held at ${a} now.`,
  planBack: (a: V) => `Plan its move back to ${a}`,
  move: (a: V) => `Move ${a}`,
  lookedAtAgain: ', next check',
  approve: 'Approve the release',
  lookNow: 'Check now',
  openContacts: 'See its contacts',
  recordConsent: 'Record the consent',
  newCode: 'Ask for a new code',
  kinds: {
    move: (stage: V) => `On the move: ${stage}`,
    ready: () => 'Only being made ready, for whoever takes it',
    dns: () => 'Handover of name servers and records',
  },
  stages: {
    move: (stage: V) => `${stage}`,
    ready: (stage: V) => (stage === 'Make ready' ? 'Being made ready' : 'Kept ready'),
    dns: (stage: V) => `Handover: ${stage}`,
  },
  way: {
    move: (a: V, b: V) => `${a} → ${b}, started`,
    ready: (a: V, b: V) => `At ${a}, for ${b}, started`,
    dns: (a: V, b: V) => `Name servers: ${a} → ${b}, started`,
  },
  cancelDns: (a: V) =>
    `The name servers stay at ${a}, or are set back to it; the registration is not touched. ` +
    'Cancel the handover?',
  cancelReady: (a: V) =>
    `The name stays at ${a}, and its lock goes on again. Stop keeping it ready?`,
  cancelEffect: (a: V) => `The name stays at ${a}, with the lock on again. Cancel the move?`,
  callItOff: 'Cancel it',
  keepOn: 'Keep going',
  callTheMoveOff: {
    move: 'Cancel the move',
    ready: 'Stop keeping it ready',
    dns: 'Cancel the handover',
  },
  forSince: (a: V, b: V) => `${a} for ${b}, since`,
  consentEnds: (a: V) => `. ${a} consents until`,
  consentOver: ': that is over. Turn the privacy service on, or record a new consent.',
  expiryBefore: (a: V) => `now ${a}`,
  expiryWas: (a: V) => `before ${a}`,
  asBefore: 'as before',
  authorizationCode: 'Authorization code',
  records: 'Records',
  carriedBetween: (a: V, b: V) => `carried from ${a} to ${b}`,
  stayAt: (a: V) => `stay at ${a}`,
  journal: 'Journal',
  codeHeld: 'sealed in the code safe',
  isHeldUp: 'Held up',
  heldUp: (a: string) => `Held up: ${a.charAt(0).toLowerCase()}${a.slice(1)}`,
  leftAt: (n: number, a: V) =>
    n === 1 ? `1 thing is left at ${a}` : `${n} things are left at ${a}`,
  nothingLeft: 'Nothing is left to do',
  paid: 'paid, by its receipt',
  receiptMissing: 'no receipt yet',
  agreed: 'agreed when it began',
  notKnown: 'not known',
  codeChecked: 'sealed in the code safe, checked',
  wasPublic: 'The contacts were public',
  isPublic: 'The contacts are public',
};
export const moves = {
  head: (n: number) =>
    n === 0
      ? 'Nothing is under way.'
      : n === 1
        ? 'One move is under way.'
        : `${counted(n)} moves are under way.`,
  moves: 'Moves',
  empty: 'No move yet.',
  showAll: (n: V) => `Show all ${n} open moves`,
  chooseOne: 'Choose a name',
  andPlan: 'and plan its move.',
};
export const stages = {
  done: (a: V, b: V) => `${a} of ${b} done`,
  dropped: 'not done',
};
export const stepList = {
  stepNeeds: (a: V, b: V, c: V) => `Takes ${a}. Proof: ${b}.${c}`,
  lookedAtAgain: 'Next check',
  underWay: 'under way',
  heldUp: 'held up',
  to: (a: V, b: V) => `${a} to ${b}`,
  takenBackBy: (a: V) => ` Taken back by: ${a}.`,
};
export const track = {
  track: 'Track',
  railsWith: (steps: V, done: V) => `Track with ${steps} steps on two rails; done: ${done}. `,
  now: 'now',
  settled: (a: V) => `settled ${a}`,
  legend: 'solid: done; pale: to come; bracket: from the earliest end to the latest',
  fold: (a: V) => `${a}, drawn short`,
  done: (a: V, b: V) => `${a}: done ${b}`,
  toCome: (a: V) => `To come: ${a}`,
  takesTo: (a: V, b: V, c: V) => `${a}: takes ${b} to ${c}`,
  settledNow: 'The move is settled.',
};
