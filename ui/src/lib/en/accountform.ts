/** Words of the form of an account. */
export const accountForm = {
  prices: 'Prices',
  email: 'Email',
  privacy: 'Privacy',
  destination: 'Orders, and what should hold after a move to it',
  record: 'In the public record',
  why: {
    connection:
      'Where the registrar offers EPP, the desk does the tasks there itself. By hand is the usual case.',
    prices: 'So that a plan can say what a move costs, and what it saves.',
    habits: 'So that a task says the right place, and the desk knows how long it takes there.',
    email: 'So that what it writes is known as its own, and requests reach it.',
    privacy:
      'So that the desk knows whose address stands in the public record, and where the service is turned off.',
    destination: 'Asked for when a plan first moves a name there; nothing of it is needed before.',
    record: 'Where the public record calls it otherwise than you do.',
  },
  ownName: 'Own name for it',
  publicName: 'Registrar’s name in the public record',
  connection: 'Connection',
  byHand: 'By hand',
  habitsTitle: 'How it wants things done',
  viaConnection: 'over the connection',
  viaPages: 'on its pages',
  tryAndKeep: 'Try the connection and save',
  keepIt: 'Save',
  leaveIt: 'Cancel',
  passwordHeld: 'Password (sealed; blank keeps it)',
};
