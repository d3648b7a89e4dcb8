import type { V } from './value';

/** Words of the views in views/arrive. */
export const begin = {
  recordCalls: (a: V) => `The public record calls the registrar of these names “${a}”.`,
  itIsThatOne: (a: V) => `That is ${a}`,
  begin: 'Begin',
  lead: 'Three things lead from nothing to the first judged name. All of it can be changed later.',
  records: 'Where the public record of a name is found',
  whyRecords:
    'The list of public record services (RFC 9224) says which service answers for which ' +
    'suffix. It is fetched once and kept fresh.',
  recordsAreFound: (a: V) => `The list of public record services is fetched from ${a}.`,
  findRecords: 'Find public records by themselves',
  names: 'Who holds your names, and which they are',
  registrar: 'The registrar, as you call it',
  theNames: 'The names that it holds, one or many',
  whereTo: 'Where they shall move to',
  planTheFirst: (a: V, b: V) => `See the move of ${a} to ${b}`,
  seeTheFirst: (a: V) => `See whether ${a} may move`,
  afterwards: 'What can wait',
  whatCanWait:
    'Its prices and habits, the mailbox that its emails come to, DNS hosts and further ' +
    'accounts are asked for when a plan needs them; they stand',
  accountsPart: 'under Accounts',
};
export const firstRun = {
  firstWord: 'One-time word, printed by the command that started the desk',
  ownEmail: 'Your email',
  passwordRule: 'A password of at least twelve characters',
  becomeAdministrator: 'Make me the administrator',
};
export const invited = {
  passwordRule: 'A password of at least twelve characters',
  comeIn: 'Join',
  invitation: 'You are invited to this desk. Choose a password; the invitation then ends.',
  chooseANewOne: 'Choose a new password; all your sessions end, and your second factor stays.',
};
export const signIn = {
  otherPerson: 'Somebody else signs in: leave this page',
  purpose: 'The desk for moving domain names between registrars.',
  factorCode: 'The code that your second factor shows',
  eMail: 'Email',
  password: 'Password',
  goOn: 'Continue',
  signIn: 'Sign in',
  passkey: 'Use a passkey',
  recoveryCode: 'A recovery code',
  useARecoveryCode: 'The device is lost: use a recovery code',
  forgotten: 'I forgot my password',
  mailALink: 'Send me a link by email',
  back: 'Back',
  notMe: 'Not me',
  practiceIntro:
    'This is the practice world: every registrar, name and message in it is invented. The ' +
    'command that started it printed the address and sign-in.',
};
export const sessionOver = {
  title: 'Sign in again',
  says: 'Your session has ended. Sign in again to go on where you were; what you typed is kept.',
};
export const welcome = {
  steadyMove: 'Steady Move',
};
