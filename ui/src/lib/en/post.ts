import { counted, type V } from './value';

/** Words of the post and the code safe. */
export const codeList = {
  listTitle: 'Codes from a list',
  listHint:
    'One name and its code a line; comma, semicolon, tab or blanks between. The code is taken as it is.',
  keepOf: (a: V, b: V) => `Keep ${a} of ${b}`,
  lookAtEachLineFirst: 'Check each line first',
  listOutcome: 'What becomes of each line',
  line: (a: V) => `line ${a}`,
  keeps: 'Would be kept',
  replaces: 'Would replace',
  notUnderstood: 'Not understood',
  kept: 'Kept',
};
export const codeSafe = {
  head: (codes: number, choices: number) =>
    (codes === 0
      ? 'No code is held.'
      : codes === 1
        ? 'One code is held.'
        : `${counted(codes)} codes are held.`) +
    (choices ? ` ${counted(choices)} ${choices === 1 ? 'waits' : 'wait'} for a choice.` : ''),
  codeSafe: 'Code safe',
  codesIntro:
    'Authorization codes, sealed. The journal notes whoever has one shown; a code is wiped when its ' +
    'name has landed.',
  codesHeld: 'Codes held',
  name: 'Name',
  code: 'Code',
  state: 'State',
  came: 'Received',
  livesUntil: 'Valid until',
  actsColumn: 'What can be done',
  noLimit: 'not limited',
  hide: 'Hide',
  show: 'Show',
  copied: 'Copied',
  copy: 'Copy',
  check: 'Check',
  wipeForGood: 'Wipe it for good',
  wipe: 'Wipe',
  emptyCodes:
    'No code is held. Codes come by email, through an account’s connection, or from a list below.',
  heldUnchecked: 'held, not checked',
  accepted: 'the registry takes it',
  rejected: 'the registry rejects it',
};
export const correct = {
  itIs: 'It is',
  about: 'about',
  nameElsewhere: 'no name here',
  vouch: 'I know this sender: take the message as it stands',
  correctIt: 'Put it right',
};
export const drop = {
  choose: 'Add saved messages (.eml)',
  here: 'Drop the messages here',
  takenIn: 'added',
};
export const pickCode = {
  codeBegins: 'The code is',
  masked: (a: V, b: V, c: string) =>
    c ? `no. ${a}: ${b} characters, ends in ${c}` : `no. ${a}: ${b} characters`,
  of: 'of',
  keepIt: 'Put it into the code safe',
};
export const post = {
  anyMessage: 'All messages',
  fetchNow: 'Check for mail',
  post: 'Post',
  codeSafe: 'Code safe',
  lettersThatWentOut: 'Emails that went out',
  messages: 'Messages',
  head: (asking: number) =>
    asking === 0
      ? 'No message wants an answer.'
      : asking === 1
        ? 'One message wants an answer.'
        : `${counted(asking)} messages want an answer.`,
  putRight: 'Put it right, or take it along',
  marks: {
    code: 'An authorization code, masked',
    link: 'A link that approves or declines',
    name: 'A name held here',
    deadline: 'Until when an answer counts',
  },
  n1OfferToStay: '1 offer to stay',
  offers: (a: V) => `${a} offers to stay`,
  emptyPost:
    'Messages from registrars will stand here, each with the move it belongs to and what it asks for.',
  setUpTheMailbox: 'Say under Accounts which mailbox they come to',
  orDropThem: ', or drop saved messages here.',
  asItCame: 'The message as it came',
  whatIsMasked: 'holds what is masked here; the journal notes who takes it.',
  from: 'From',
  moveLink: (a: V) => `To the move of ${a}`,
  about: (a: V) => `About ${a}`,
  correctedBy: (a: V) => `put right by ${a}`,
  answersUntil: 'Answers count until',
  onlyTheHead: 'Nothing in it concerns a name held here, so only its head was kept.',
  fetchTheBody: 'Fetch its body',
  reading: (a: V, b: V) =>
    `The mailbox is full: ${a} of ${b} new messages are read, the newest first.`,
  doubtful: 'Not relied on.',
  trust: { proven: 'Proven.', unproven: 'Unproven.', doubtful: 'Doubtful.' },
  unproven: 'Nothing proves its sender, so it decides nothing by itself.',
  vouchMessage: 'I know the sender, count it',
  roles: { approve: 'To approve:', decline: 'To decline:', other: 'A link:' },
  leadsTo: (a: V) => `leads to ${a}`,
  otherLinks: (a: number) =>
    a === 1 ? 'One more link in it does neither.' : `${a} more links in it do neither.`,
  answerDue: 'Wants an answer',
  theRest: 'The rest',
};
export const sender = {
  doesIt: (who: V, domain: V) => `Does ${who} write from ${domain}?`,
  whichOne: (domain: V) => `Which of them writes from ${domain}?`,
  sent: (domain: V) =>
    `The mailbox’s server found that ${domain} did send it. Who ${domain} is, you have to know: ` +
    'compare it with the address of the registrar’s pages.',
  unproven: 'Nothing proves that this domain sent it.',
  yes: 'Yes, keep that',
  no: 'No, it does not',
  neither: 'None of them',
};
