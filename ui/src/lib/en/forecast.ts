import type { V } from './value';

/** Words of forecasts. */
export const forecast = {
  title: 'When all of it is done',
  range: (n: V, a: V, b: V, c: V) =>
    `The chance that ${n === 1 ? 'the open move is' : `all ${n} open moves are`} done: 1 in 10 by ${a}, ` +
    `5 in 10 by ${b}, 9 in 10 by ${c}.`,
  curve: 'The chance that all open moves are done, over the days to come',
  by: 'Done by the end of',
  chance: (n: V) => `${n} in 100`,
  within: (n: number, a: V, b: V, c: V) =>
    `Of ${n} ${n === 1 ? 'move' : 'moves'}, ${a} ended by the early end of the range ` +
    `(meant: 1 in 10), ${b} by its middle (5 in 10), ${c} by its late end (9 in 10).` +
    (n < 20 ? ' Too few to judge by.' : ''),
  held: (a: number, b: number) =>
    b === 1
      ? `The last forecast (9 in 10) ${a ? 'held' : 'did not hold'}`
      : `Of the last ${b} forecasts (9 in 10), ${a} held`,
  row: (a: V, b: V) => `${a} – ${b}; ended`,
  yes: 'held',
  no: 'did not hold',
};
export const doneBy = {
  label: 'To be done by the end of',
  before: (a: V) => `start before ${a} to be done in time (9 in 10)`,
  tooLate: (a: V) => `even started now, 9 in 10 are done only by ${a}`,
};
export const calendar = {
  title: 'Your calendar',
  about:
    'Deadlines, by when each move is likely done, and expiries, for your own calendar program. ' +
    'The address is a secret: whoever has it reads along. It holds no codes.',
  once: 'This address is shown once. Put it into your calendar program now.',
  all: 'Everything',
  mine: 'Only what is yours to do',
  client: (name: string) => `Only names of ${name}`,
  made: 'An address was made',
  make: 'Make an address',
  renew: 'Make a new address',
  end: 'End it',
  yesEnd: 'Yes, calendars that use the old address stop being updated',
};
export const restsOn = {
  title: (n: V) => (n === 1 ? '1 duration is learnt' : `${n} durations are learnt`),
  row: (step: V, n: V) => `${step}: from ${n} finished moves`,
};
