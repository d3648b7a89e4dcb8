import { counted, type V } from './value';

/** Words of the views in views/accounts. */
export const accounts = {
  accounts: 'Accounts',
  head: (all: number, connected: number) =>
    all === 0
      ? 'No registrar yet.'
      : `${counted(all)} registrar${all === 1 ? '' : 's'}, ` +
        `${connected ? counted(connected).toLowerCase() : 'none'} of them over EPP.`,
  hostsHead: (all: number) =>
    all === 0 ? 'No DNS host yet.' : `${counted(all)} DNS host${all === 1 ? '' : 's'}.`,
  answered: 'answered',
  otherwise: (n: number) => (n === 1 ? '1 thing by email' : `${n} things by email`),
  withKey: 'with a key',
  registrars: 'Registrars',
  byHand: 'by hand',
  registrar: 'Registrar',
  connected: 'Connection',
  aYear: 'A year here',
  priceNotKnown: 'not known',
  emptyAccounts:
    'None yet. Add the account that holds your names, and the one they are to move to.',
  addAccount: 'Add a registrar account',
  dnsHosts: 'DNS hosts',
  serviceEnds: (a: V) => `ends with the registration at ${a}`,
  emptyHosts:
    'None yet. A DNS host is named by its name servers; with its key the desk fetches and puts zones.',
  addHost: 'Add a DNS host',
  viaSupport: 'everything by email to its support',
  change: (a: V) => `Change it: ${a}`,
  changeIt: 'Change it',
  remove: (a: V) => `Remove ${a}`,
  removeForGood: 'Remove it for good',
};
export const fields = {
  register: 'Price of a new name',
  renewLater: 'Price of each later year',
  promotion: 'Promotion (less by)',
  promotionCode: 'Promotion code',
  promotionUntil: 'Last day of the promotion',
  perTransaction: 'Fee for each order',
  privacyPrice: 'Price of privacy a year',
  tax: 'Tax in per cent',
  bySuffix: 'Prices by suffix',
  bySuffixHow:
    'A line a suffix, or a CSV: suffix; register; renew; later years; transfer; promotion; fee; privacy. ' +
    'What is left empty is as above.',
  bySuffixWrong: (a: string) =>
    `This line is not understood: “${a}”. A suffix and prices such as 9.90 are expected.`,
  holds: 'What should hold after a move to it',
  notKnown: 'not known',
  eppHost: 'EPP host',
  port: 'Port',
  clientIdentifier: 'Client identifier',
  passwordSealed: 'Password (sealed)',
  authorityFile: 'File of its certificate authority, if not a public one',
  certificateName: 'Name in its certificate, if not the host',
  clientCertificateFile: 'File of your client certificate, if one is asked for',
  clientKeyFile: 'File of its key',
  currency: 'Currency',
  yearPrice: 'Price of a year',
  transferPrice: 'Price of a transfer',
  senderDomains: 'Mail domains that write for it',
  pagesAddress: 'Address of its pages',
  signInThere: 'Your sign-in there',
};
export const hostForm = {
  notKnown: 'not known',
  yes: 'yes',
  no: 'no',
  algorithm: 'Algorithm of the key',
  byHand: 'By hand there',
  site: 'Address of its pages',
  login: 'Your sign-in there',
  files: 'Zone files read',
  owner: 'Form of a record’s name',
  relative: 'relative: www, @ for the top',
  absolute: 'whole: www.tide.example',
  absoluteDot: 'whole, with a final dot',
  limits: 'Limits',
  wildcard: 'Wildcards taken',
  floor: 'Least TTL in seconds',
  ceiling: 'Greatest TTL in seconds',
  sets: 'Most record sets in a zone',
  text: 'Longest text in octets',
  types: 'Types that it takes, where not all',
  ownName: 'Own name for it',
  hostServers: 'Name servers of the host',
  transferKeyName: 'Name of the transfer key (TSIG)',
  transferKey: 'The key, base64 (sealed)',
  theKeyHeld: 'The key, base64 (sealed; blank keeps it)',
  serviceEnds: 'Ends with the registration at',
  noHost: 'none: it stands by itself',
  keepIt: 'Save',
  leaveIt: 'Cancel',
};
export const mailServer = {
  itsOwnServerIsCalled: 'Name of the mailbox’s own server',
  strictDelivery: 'It delivers nothing whose sender is not proven: trust it where it says nothing',
  keepIt: 'Believe this server',
  mustStrip:
    'It has to strip fields of this name that a sender wrote (RFC 8601 §5). Where mail can be ' +
    'sent, the desk tests it with a message to itself.',
  testIt: 'Test it',
  onItsWay: 'The test message is on its way.',
  found: {
    strips: 'Tested: it strips them.',
    ignored: 'Tested: it leaves them, where the desk does not believe them.',
    believed:
      'Tested: it leaves them where they look like its own. Nothing it says proves a sender ' +
      'until that is mended.',
  },
  theNewestMailNames: 'The newest email begins with:',
  seen: (a: V, b: number) => (b === 1 ? `${a} (once)` : `${a} (${b} times)`),
};
export const settings = {
  title: 'Settings',
  head: 'What the desk asks outside, and how it writes.',
  noMailbox: 'No mailbox is read: registrars’ messages are missed.',
  mute: 'A mailbox does not answer: codes and approvals are being missed.',
  reads: (a: V) => `reads ${a}`,
  notRead: (a: V) => `${a}: not read yet`,
  entries: (n: number) => (n === 0 ? 'none' : n === 1 ? '1 entry' : `${n} entries`),
  none: 'none',
  notYet: 'not fetched yet',
};
export const people = {
  head: (n: number) => `${counted(n)} ${n === 1 ? 'person' : 'people'} may sign in.`,
  inviteSomebody: 'Invite somebody',
  limit: 'May start alone in 30 days',
  noLimit: 'no limit',
  people: 'People',
  you: (a: V, b: V) => `${a}: ${b} (you)`,
  roleOf: (a: V) => `Role of ${a}`,
  remove: 'Remove',
  removeOf: (a: V) => `Remove ${a}`,
  confirmRemoval: (a: V) => `Yes, remove ${a}; every session ends at once`,
  invitations: 'Invited',
  until: (a: V, b: V) => `as ${a}, until ${b}`,
  takeBack: 'Take back',
  takeBackOf: (a: V) => `Take back the invitation of ${a}`,
  passwordLink: 'Link for a new password',
  passwordLinkFor: (a: V) =>
    `With this link ${a} chooses a new password; it works once, for an hour:`,
  newPassword: (a: V, b: V) => `${a}/new-password#${b}`,
  dropFactor: 'Take the second factor away',
  dropFactorOf: (a: V) => `Take the second factor of ${a} away`,
  yesPasswordAlone: (a: V) => `Yes, ${a} signs in by password alone until another is set up`,
  eMail: 'Email',
  role: 'Role',
  invite: 'Invite',
  passAddressOn: (a: V) => `Give this address to ${a}; it works once, for seven days:`,
  invited: (a: V, b: V) => `${a}/invited#${b}`,
  roleViewer: 'sees everything',
  roleMover: 'plans, starts and cancels moves',
  roleApprover: 'also approves releases',
  roleAdministrator: 'also keeps accounts and people',
};
export const you = {
  signInTitle: 'Your sign-in',
  asWhom: (a: V, b: V) => `You are ${a}, ${b} here.`,
  sessionsTitle: 'Where you are signed in',
  sessionLife:
    'A session ends after twelve hours, or after half an hour in which nobody does anything.',
  since: (a: V, b: V) => `since ${a}, last used ${b}`,
  thisOne: 'this one',
  end: 'End it',
  endIt: (a: V) => `End the session on ${a}`,
  endOthers: 'End all others',
  password: 'Password',
  currentPassword: 'The old one',
  theNewOne: 'A new one of at least twelve characters',
  change: 'Change the password',
  passwordChanged:
    'The password is changed. Other sessions have ended, and the tokens that you didn’t keep.',
  passwordEnds: 'Another password ends your other sessions and your tokens.',
  tokensEnd: 'Tokens that go on all the same',
  passkeys: 'Passkeys',
  whatAPasskeyIs:
    'A passkey is kept by your device or a security key and asked for after the password, in place of a code.',
  unnamed: 'Without a name',
  lastUsed: (a: V) => `last used ${a}`,
  remove: (a: V) => `Remove ${a}`,
  keepIt: 'Save',
  deviceName: 'What the device is called',
  ownPassword: 'Your password',
  addPasskey: 'Add a passkey',
  dropPasskey: 'Remove the passkey',
  passkeysMissing: (a: V) =>
    `Passkeys need a current browser and a host name: open the desk by its own name over HTTPS, ` +
    `or on this machine at http://localhost:${a}.`,
  recoveryCodes: 'Recovery codes',
  whatRecoveryCodesAre: (left: number) =>
    'Each stands in once for a second factor that is lost. ' +
    (left ? `${left} are left.` : 'There are none yet.'),
  keepTheseCodes: 'Keep these where you keep your passwords; they are shown this once.',
  makeCodes: 'Make recovery codes',
  makeNewCodes: 'Make new ones in place of the old',
};
export const secondFactor = {
  yourSecondFactor: 'Authenticator (one-time codes)',
  factorOn: 'A code is asked for at every sign-in.',
  password: 'Password',
  removeIt: 'Remove it',
  takeThisUpInAn:
    'Scan this with an application that makes one-time codes (TOTP), then type the first code.',
  scanCaption: 'To scan: the secret below',
  code: 'Code',
  keepIt: 'Save',
  factorOff: 'Only the password is asked for at sign-in.',
  notSetUp: 'None is set up; another second factor is asked for.',
  setUpASecondFactor: 'Set up an authenticator',
};
