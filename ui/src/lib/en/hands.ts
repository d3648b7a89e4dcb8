import { counted, type V } from './value';

/** Words of the views in views/hands. */
export const acts = {
  aPlace: 'a place',
  signedInAs: 'as',
  done: (a: V) => `Done: ${a}`,
  byLetter: 'by email',
  openItsMove: 'See its move',
  areDone: (n: number) =>
    n === 0 ? 'Tick what is done' : n === 1 ? 'This task is done' : `These ${n} tasks are done`,
  all: (n: number) => (n === 2 ? 'Both of them' : `All ${n} of them`),
  thisOnlyStartsTheLooking: 'The desk checks it from outside.',
  onYourWord: 'It counts on your word.',
  someOnYourWord: 'The desk checks from outside what shows there; the rest counts on your word.',
  writeOneLetterFor: (a: V) => `Write one email for ${a}`,
  names: (a: V) => `${a} names`,
  written: 'written',
  said: 'said',
};
export const consentForm = {
  consent: 'Consent',
  consentTitle: 'The owner’s consent',
  consentRule: (a: V) =>
    'The owner of the contacts has to agree before the privacy service goes off. Public ' +
    `meanwhile: ${a}.`,
  consentGiver: 'Who gave it, and how',
  untilEnd: 'Until the end of',
  recordTheConsentFor: (n: number) =>
    n === 0 ? 'Record the consent' : `Record the consent for ${n === 1 ? '1 name' : `${n} names`}`,
};
export const leavings = {
  at: (a: V) => `Left at ${a}`,
  names: (n: number) => (n === 1 ? '1 name' : `${n} names`),
  done: (n: number) => (n === 1 ? 'Done' : `Done for all ${n}`),
  none: 'There was none',
  copy: 'Copy all of it as a list',
  copied: 'Copied',
  email: 'Write an email about it to its support',
};
export const handPanel = {
  takeBack: 'Not done after all',
  byHand: (a: V) => `By hand: ${a}`,
  itIsLate: 'It is late.',
  openRecords: 'Its records: what to type, and what is there already',
  writeSupport: 'Write to its support',
  seenBy: (a: V) => `Seen by: ${a}.`,
  lookedAtAgain: 'Next check',
  takenBackBy: (a: V) => ` Taken back by: ${a}.`,
  writeTheLetterUnderBy: 'Write the email under “By hand”',
  withTheRest: ', together with all else for this registrar.',
  saidToBeDone: 'Said to be done',
  theDeskLooksForThe: '. The desk checks from outside before it counts.',
  markDone: 'I have done it',
};
export const hands = {
  itLeft: 'It left: I have looked',
  redraft: 'It did not leave: write it again',
  byHand: 'By hand',
  head: (n: number) =>
    n === 0
      ? 'Nothing has to be done by hand.'
      : `${counted(n)} thing${n === 1 ? '' : 's'} to do by hand.`,
  maybeSent: (a: V) => `It is not known whether the email to ${a} went out`,
  lateAnswer: (a: V) => `Late: ${a} has not answered`,
  written: 'Written',
  remind: 'Send a reminder',
  pasteCodes: 'Paste a list of codes',
  actsAtRegistrarsWithoutA:
    'Tasks at registrars without a connection will stand here, each with where to sign in, what to do ' +
    'there, and how the desk checks that it is done.',
  chooseNames: 'Choose names',
  andPlanAll: 'and plan their moves.',
  letters: 'Emails sent',
  viaDesk: 'sent by the desk',
  viaHand: 'sent by hand',
  viaUnknown: 'not known whether it went out',
  unanswered: 'no answer yet',
};
export const visit = {
  title: 'A visit',
  name: 'Name',
  open: 'Visit, one task at a time',
  others: (who: V) => `${who} ${String(who).includes(',') ? 'are' : 'is'} at this visit, too.`,
  signIn: 'Sign in there as',
  order: (n: number) => (n === 1 ? 'Order the transfer' : `Order ${n} transfers`),
  records: 'Enter its records one by one',
  doneWhen: (proof: V) => `It counts once the desk sees it: ${proof}.`,
  done: 'Done',
  doneNext: 'Done, next',
  next: 'Next',
  refuses: 'Write to its support',
  nothing: 'Nothing is to be done on its pages now.',
  waits: (n: number) =>
    n === 1
      ? 'Nothing more is to be done here; one thing waits for its proof.'
      : `Nothing more is to be done here; ${n} things wait for their proof.`,
  after: 'Next',
  said: 'Said to be done, not proven yet',
  proven: 'Proven',
};
export const letter = {
  to: 'To',
  addressPart: 'the address',
  subject: 'Subject',
  subjectPart: 'the subject',
  theLetter: 'The email',
  sendIt: (a: V) => `Send it to ${a}`,
  noteSent: 'I have sent it myself',
  openInMail: 'Open it in your mail program',
  saveAsFile: 'Save it as a file (.eml)',
  leaveIt: 'Cancel',
  secretFree: (a: V) =>
    `No secret stands in it. The answer is matched by its reference ${a}; a lock or a code that was ` +
    'asked for is due within five days, then a reminder is offered.',
};
export const found = {
  whereIsIt: 'Where it is on those pages, in your words',
  suchAs: 'Settings, far right, third tab',
  keepIt: 'Save',
  leaveIt: 'Cancel',
  itIsAt: 'Where it is:',
  change: 'change',
  noteWhereTitle: 'Note where it is there',
};
export const learnt = {
  keep: 'Keep it for next time',
  askedFor: 'What did it ask for before it gave the code?',
  asks: [
    ['reason', 'a reason'],
    ['mail', 'a code by email first'],
    ['factor', 'a second factor'],
    ['privacy', 'privacy off'],
  ] as const,
};
export const orders = {
  toBeOrdered: 'To be ordered',
  transferNotRegister:
    'Choose “transfer” there, never “register”: a name that you hold is always taken.',
  seeBeforePaying: (a: V) => `Before you pay, it must show ${a}.`,
  noPriceKnown: 'No price is known here: check it there before you pay.',
  and: ' and ',
  promotion: 'Promotion code:',
  promotionPart: 'the promotion code',
  untilEnd: (a: V) => `until the end of ${a}`,
  settingsForAll: 'Set for all of them:',
  set: 'Set:',
  withThisOrder: (a: V) => `${a} is in this order`,
  noPrice: 'price not known',
  years: (a: number) => (a === 0 ? 'no year added' : a === 1 ? '1 year' : `${a} years`),
  copyCode: 'Copy its code',
  codeCopied: 'Code copied',
  alone: 'Its code holds what this registrar’s list can’t: order this one with its code alone.',
  copyTheList: (a: number) =>
    a === 1 ? 'Copy the name with its code' : `Copy the ${a} names with their codes`,
  copyNames: (a: number) => (a === 1 ? 'Copy the name' : `Copy the ${a} names`),
  listCopied: (a: number) => (a === 1 ? 'Copied: 1 name' : `Copied: ${a} names`),
  inItsForm:
    'In the form that this registrar’s page reads. Each code that is copied stands in the journal.',
  apart: (a: V) =>
    `Not in the list, since their codes can’t stand in it: ${a}. Copy their codes one at a time.`,
  orderNumber: 'Order number',
  charged: 'Charged, all together',
  currency: 'Currency',
  thisIsOrdered: 'It is ordered',
  orderedAll: (a: V) => `These ${a} are ordered`,
  takeThePrice: 'That is the price: go on',
};
export const refusal = {
  refused: 'It refuses this',
  refusedOf: (a: V) => `It refuses this: ${a}`,
  verdictOf: (a: V) => `What does it say of ${a}?`,
  verdictWords: 'In its words (if you like)',
  keep: 'Save',
  leaveIt: 'Cancel',
  reasons: [
    ['locked', 'it is locked'],
    ['code', 'its code is wrong or not taken'],
    ['taken', 'it is taken: “register” was chosen'],
    ['payment', 'a payment method is missing'],
    ['balance', 'the balance is too low'],
    ['profile', 'the contact profile is not complete'],
    ['not_served', 'it does not take this suffix'],
    ['paid_not_set_up', 'it is paid, and nothing was set up'],
    ['set_up_not_paid', 'it is set up, and not paid'],
    ['other', 'something else'],
  ] as const,
};
export const pasteCode = {
  codeField: 'Its code, as it stands there',
  keepCode: 'Into the code safe',
};
export const place = {
  at: 'At',
  as: ', as',
};
