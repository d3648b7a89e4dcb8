import { counted } from './value';

/** Words of a client's agreement to a batch: on their page, and in the batch. */
export const agreement = {
  title: 'Agreement of a client',
  lead:
    'A page for your client shows the names, days, costs and what becomes public. They agree ' +
    'there, or ask. What they agree to holds until the batch is changed.',
  whose: 'For',
  everyone: 'All names of the batch',
  ask: 'Make the page',
  once: 'This address is shown once. Send it to your client:',
  address: 'the address',
  mail: 'Write the email',
  subject: (batch: string) => `Please agree: ${batch}`,
  body: (address: string) =>
    'Hello,\n\nplease read what is planned for your names, and answer on this page:\n\n' +
    `${address}\n`,
  of: (client: string | null) => client ?? 'All names',
  waits: 'No answer yet; the page was made',
  yes: (who: string) => `${who} agreed`,
  question: (who: string, says: string) => `${who} asks: “${says}”`,
  changed: 'The batch was changed since: make a new page.',
  end: 'End the page',
  endOf: (client: string) => `End the page of ${client}`,
};
export const agreeing = {
  head: (n: number) =>
    n === 1
      ? 'One name is to move. Do you agree?'
      : `${counted(n)} names are to move. Do you agree?`,
  agreed: 'You have agreed. Nothing more is needed from you.',
  asked: 'Your question has been passed on. You can still agree.',
  changed: 'What is planned has changed since this page was made. Ask for a new one.',
  from: (who: string) => `${who} asks you.`,
  between: 'All of it will most likely be done between',
  and: 'and',
  inTen: '(8 in 10).',
  names: 'What happens to which name',
  name: 'Name',
  to: 'To',
  begins: 'Begins',
  uptime: 'Website and email',
  leftOut: (names: string) => `Not planned yet, and no part of this: ${names}.`,
  cost: 'Cost',
  seen: 'Contact public until',
  notSet: 'not set yet',
  notKnown: 'not known',
  stays: 'no change',
  total: 'Total',
  unpriced: (n: number) => (n === 1 ? 'without one name' : `without ${n} names`),
  becomesPublic: (what: string) =>
    'Until the day that stands with a name, anybody can look up its owner’s ' +
    `${what}: the old registrar’s privacy service has to be off while it moves.`,
  contact: {
    name: 'name',
    organization: 'organization',
    address: 'address',
    telephone: 'telephone number',
    email: 'email address',
  } as Record<string, string>,
  by: 'Your name',
  says: 'Your question, if you have one',
  yes: 'I agree',
  ask: 'Send the question',
};
