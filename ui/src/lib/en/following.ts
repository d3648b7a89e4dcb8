import type { V } from './value';

/** Words of the axis of all moves, of approvals, and of what others are shown. */
export const axis = {
  title: 'All open moves in time',
  row: (a: V, b: V) => `${a}: ${b}`,
  late: 'late',
  noPicture: 'The picture could not be made. Try again, or zoom out.',
  print: 'Print',
  svg: 'SVG',
  png: 'PNG',
  key: {
    past: 'done',
    deadline: 'next deadline',
    range: 'the whole done, 8 in 10',
  },
  zoom: 'Zoom',
  zooms: { day: 'Days', week: 'Weeks', month: 'Months' } as Record<string, string>,
  turn: 'Turn',
  anyTurn: 'anybody’s turn',
  at: 'Registrar',
  anywhere: 'any registrar',
  batch: 'Batch',
  anyBatch: 'any batch',
  onlyLate: 'Only late ones',
  noneSo: 'No open move matches.',
  ended: 'Ended moves',
};
export const approvals = {
  due: (n: number) => (n === 1 ? '1 approval is due' : `${n} approvals are due`),
  none: 'No approval is due. What comes next stands below.',
  how: {
    connection: 'here, sent over the connection',
    page: 'on the registrar’s page',
    link: 'by the link in its email',
    letter: 'by email to support',
    code: 'by a code that comes by email',
    none: 'nobody can; only time',
  } as Record<string, string>,
  silence: {
    approves: 'If nobody answers, it is approved automatically.',
    lapses: 'If nobody answers, it lapses, and the move ends.',
    nothing: 'If nobody answers, nothing happens.',
  } as Record<string, string>,
  saves: (a: V) => `Approving now saves ${a}.`,
  approve: 'Approve the release',
  all: (n: number, where: V) => `Approve all ${n} at ${where}`,
  oneVisit: 'One visit there for all that is by hand',
  approved: 'approved, being sent',
  assumed: 'assumed',
  unknownEnd: 'until when is not known',
  coming: 'To come',
  expected: 'usually asked for',
  wished: 'approved as soon as it is asked for',
  wish: 'Approve as soon as it is asked',
};
export const forOthers = {
  summary: 'For the site’s owner',
  copy: 'Copy this text',
  copied: 'Copied',
  make: 'Make a page with a secret address',
  renew: 'Make a new address',
  end: 'End the page',
  once: 'The address is shown once. Whoever has it sees this text, as it is then, and nothing else.',
  since: 'There is a page since',
};
export const late = {
  summary: 'Ask what it waits for',
  write: 'Open it in your mail program',
  to: (a: V) => `To ${a}`,
  addressMissing: 'no address is noted at this account',
};
