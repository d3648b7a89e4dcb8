import { counted, type V } from './value';

/** Words of the ledger and of closing reports. */
export const ledger = {
  head: (n: number) =>
    n === 0
      ? 'No difference is open.'
      : n === 1
        ? 'One difference is open.'
        : `${counted(n)} differences are open.`,
  none: 'Nothing was quoted or paid yet. Each move that starts brings its quote; receipts come by email.',
  sums: 'Spent and saved',
  by: {
    all: 'All',
    account: 'Destination',
    client: 'Client',
    batch: 'Batch',
    year: 'Year',
  } as Record<string, string>,
  moves: (n: number) => (n === 1 ? '1 move' : `${n} moves`),
  unknown: (n: number) => `${n} of them not known`,
  spent: 'Spent',
  saved: 'Saved',
  what: 'What',
  toSettle: 'To settle',
  settle: 'Settled',
  how: 'How it was settled',
  fits: 'Everything that was charged fits what was quoted.',
  month: 'Report of a month',
  which: 'Month',
  allNames: 'All names',
  perMove: 'By move',
  name: 'Name',
  to: 'To',
  quoted: 'Quoted',
  asPlanned: 'as ordered, no receipt yet',
  lost: (n: number) => `${n} paid days lost`,
  entries: 'Every entry',
  at: 'At',
  kind: 'Kind',
  where: 'Where',
  amount: 'Amount',
  number: 'Order number',
  kinds: { quote: 'quote', order: 'order', receipt: 'receipt', refund: 'paid back' } as Record<
    string,
    string
  >,
  sources: { journal: 'journal', mail: 'email', word: 'typed in' } as Record<string, string>,
  unread: 'not readable',
  csv: 'CSV',
  note: 'Note a receipt or a refund',
  move: 'Moves that it is for, all of them in one sum',
  like: 'Names that hold …',
  currency: 'Currency',
  keep: 'Note it',
  keepFor: (n: number) => `Note it for ${n} moves`,
};
export const closing = {
  title: 'Closing',
  left: 'Left at the old account',
  states: {
    cancelled: 'Cancelled',
    none: 'There is none',
    kept: 'Keep it',
    open: 'Open again',
  } as Record<string, string>,
  why: 'Why it is kept',
  by: (a: V) => `by ${a}`,
  page: 'To print',
  pdf: 'PDF',
  csv: 'CSV',
  open: (n: number) => (n === 0 ? 'nothing left' : `${n} left to cancel`),
  bad: (n: number) => (n === 1 ? '1 thing differs' : `${n} things differ`),
  again: 'could move again',
};
