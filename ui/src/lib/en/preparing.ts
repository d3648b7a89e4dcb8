import type { V } from './value';

/** Words of what is set before a move. */
/** Words of the list of names. */
export const aims = {
  whatShallHold: 'What should hold afterwards',
  usual: (a: V) => `as usual there: ${a}`,
  carry: 'the present ones are carried',
  profile: (a: V) => `contacts from ${a}`,
  names: {
    lock: 'Transfer lock',
    auto_renew: 'Auto-renew',
    privacy: 'Privacy service',
    contacts: 'Contacts from a profile there',
    years: 'Years bought with the move',
  },
  values: { on: 'on', off: 'off', any: 'either way', as_before: 'as it was' } as Record<
    string,
    string
  >,
};
/** Prices that a plan lacks. */
export const askPrice = {
  title: (a: V) => `Prices at ${a}`,
  lead: (a: V, b: V) => `What ${a} charges for .${b} is not known yet:`,
  what: {
    transfer: 'A transfer to it',
    renew: 'A year there',
    privacy: 'Privacy, a year',
  },
  currency: 'Currency',
  keep: 'Note it',
};
export const ready = {
  isItReady: 'Is the destination ready?',
  seenBy: (a: V) => `noted by ${a}`,
  noteIt: 'Note it',
  balance: (a: V) => `The balance there, in ${a}`,
  itIs: 'I checked: it is',
  itIsNot: 'It is not',
};
export const prices = {
  compare: 'Compare with other destinations, and with staying',
  withPrivacy: 'with a privacy service',
  converted: (a: V, b: V) => `In ${a} as well, at the rates typed in for ${b}.`,
  where: 'Where',
  year: (a: number) => (a === 1 ? 'After 1 year' : `After ${a} years`),
  firstYear: 'The first year there',
  stay: (a: V) => `Stay at ${a}`,
  takesNotKnown: 'whether it takes the suffix is not known',
  notKnown: 'not known',
  fee: (a: V, ...more: V[]) => `${a}${more.join('')}`,
  less: (a: V) => ` − ${a} promotion`,
  perOrder: (a: V) => ` + ${a} an order`,
  privacy: (a: V) => ` + ${a} privacy`,
  tax: (a: V) => ` + ${a} tax`,
  until: (a: V) => `promotion until the end of ${a}`,
  sumsAfterYears: 'Sums of all that is paid until then. Currencies are never added up.',
};
export const prepare = {
  title: (a: V) => `Make ${a} ready without a destination`,
  explain:
    'For a name whose destination is not known yet, or that leaves to somebody else. It is ' +
    'watched until it goes on as a move, lands elsewhere, or the day comes on which it is ' +
    'made safe again.',
  parts: {
    unlock: 'Take the transfer lock off',
    code: 'Have its authorization code',
    privacy: 'Turn the privacy service off',
    contact: 'Verify the contact mailbox',
  },
  until: 'Make it safe again at the end of',
  leavesTo: 'It leaves to (leave empty if you move it later)',
  start: 'Make it ready',
  link: 'Only make it ready, or fetch its code',
};
