import type { V } from './value';

/** Words of notices, tokens and webhooks. */
export const notices = {
  title: 'Told by email',
  about:
    'When it is your turn: what to do, until when, and what happens if nobody does anything. Never with a code.',
  choices: { never: 'never', 'at-once': 'at once', daily: 'once a day' } as Record<string, string>,
  hour: 'at (hour, UTC)',
  noServer: 'No mail server for sending is set up yet; an administrator sets it under Accounts.',
  keep: 'Keep',
  kept: 'Kept',
};
export const tokens = {
  title: 'Tokens for programs',
  about:
    'With a token a program asks this desk in your name, with the role that you give it, until the day you set.',
  what: 'What it is for',
  role: 'Role',
  days: 'Days',
  make: 'Make a token',
  once: 'It is shown once; keep it where only the program finds it:',
  until: 'until',
  over: 'over',
  used: 'last used',
  never: 'never used',
  end: 'End it',
  endOf: (a: V) => `End the token “${a}”`,
  yesEnd: 'Yes, whatever uses this token stops working',
  none: 'None yet.',
};
export const webhooks = {
  title: 'Webhooks',
  about:
    'Lines of the journal are posted as JSON to an address, as they are written, signed by RFC 9421 (hmac-sha256). ' +
    'Codes never stand in them.',
  url: 'Address (https)',
  types: 'Lines to send',
  add: 'Add the webhook',
  once: 'The secret that the signatures are made with; it is shown once:',
  remove: 'Remove it',
  removeOf: (a: V) => `Remove ${a}`,
  confirmRemoval: 'Yes, nothing more is sent to this address',
  fails: (n: number) =>
    n === 1 ? 'could not be delivered' : `could not be delivered ${n} times in a row`,
  next: 'next try',
  none: 'No webhook is set up.',
};
