import { counted, type V } from './value';

/** Words of the views in views/records. */
export const records = {
  head: (n: number) =>
    n === 0
      ? 'No zone waits for a decision.'
      : n === 1
        ? 'One zone waits for a decision.'
        : `${counted(n)} zones wait for a decision.`,
  records: 'Records',
  state: 'What it waits for',
  present: 'Present host',
  next: 'New host',
  copy: 'Copy held',
  servers: 'New servers',
  name: 'Name',
  none: 'No name’s records are in work. Type a name that you hold, to see and carry its records.',
  open: 'Open its records',
  ofTray: (n: V) => (n === 1 ? 'Only the 1 name in the tray' : `Only the ${n} names in the tray`),
  typeAName: 'A name that you hold',
  states: {
    decide: 'needs your decision',
    no_copy: 'its present zone',
    choose: 'where it is to go',
    fill: 'the new host to answer',
    waits: 'caches to forget',
    equal: 'nothing: both answer the same',
    settled: 'nothing',
  },
  notKnown: 'not known',
  sets: (n: V) => `${n} record sets`,
  equalOf: (a: V, b: V) => `${a} of ${b} equal`,
};
export const dnsMove = {
  choose: 'Choose a DNS host',
  title: 'Move the DNS of several names',
  about: (n: number) =>
    n === 1
      ? 'The records of the name in the tray go to the host; its registration stays where it is.'
      : `The records of the ${n} names in the tray go to one host, one move for each; ` +
        'their registrations stay where they are.',
  host: 'To the DNS host',
  start: (n: V) => `Move the DNS of ${n === 1 ? 'this 1 name' : `these ${n} names`}`,
  started: (n: V) => `${n} under way.`,
  left: 'Not started',
};
export const recordsSheet = {
  ask: 'Ask every server now',
  asking: 'Asking…',
  asked: 'Last asked',
  neverAsked: 'No server was asked yet.',
  servedBy: 'Served by',
  ends: 'Its zone ends with the registration.',
  stays: 'Its zone stays when the registration leaves.',
  nobody: 'Nobody here knows whose name servers these are.',
  move: 'See its move',
  head: {
    leftAlone: (host?: string) =>
      `Its move leaves its records ${host ? `at ${host}` : 'where they are'}.`,
    nothing: 'No copy of its records is held yet: get one first.',
    noHost: (n: number) =>
      n === 1
        ? 'One record set is known: choose where it goes.'
        : `${counted(n)} record sets are known: choose where they go.`,
    needs: (n: number) =>
      n === 1
        ? 'One record set needs your decision.'
        : `${counted(n)} record sets need your decision.`,
    unasked: (host: V) => `${host} was not asked yet: ask every server first.`,
    open: (n: number, of: number, host: V) =>
      `${counted(n)} of ${counted(of).toLowerCase()} record sets ${n === 1 ? 'was' : 'were'} ` +
      `not seen at ${host} as wanted.`,
    done: (host: V) => `When last asked, ${host} held every record set as wanted.`,
  },
  goTo: {
    zone: 'Get a copy',
    choices: 'Choose where they go',
    sheet: 'See what differs',
  } as Record<string, string>,
  sections: 'Parts of this sheet',
  parts: {
    zone: 'Present zone',
    choices: 'Where they go',
    sheet: 'Carry sheet',
    tied: 'Tied to the old account',
    handover: 'Handover',
    answers: 'Name servers',
  } as Record<string, string>,
};
export const getZone = {
  none: 'No copy is held. Get one in whichever way this host allows; the first that works gives the most.',
  held: 'Got',
  by: 'by',
  notTaken: (n: V) => `${n} ${n === 1 ? 'line was' : 'lines were'} not taken`,
  line: (n: V) => `Line ${n}: `,
  transfer: 'Ask for a zone transfer',
  walk: 'Walk its NSEC records',
  probe: 'Probe usual names',
  give: 'Give a file or a table',
  file: 'Zone file',
  table: 'Table copied from the host’s page',
  what: 'What you give',
  text: 'Zone file or table',
  pick: 'Or choose a file',
  keep: 'Take what is right, although something in it is wrong',
  take: 'Take it',
  more: 'Names to probe besides, with blanks between',
  saveOld: 'Save it as a zone file',
  working: 'Getting it…',
};
export const carryChoices = {
  recommended: 'The desk’s advice',
  take: 'Choose this',
  chosen: 'Chosen',
  host: 'The new DNS host',
  noHost: 'none chosen',
  addHost: 'Add a DNS host under Accounts',
  plan: 'Plan the move with it',
  alone: 'Plan the handover',
  cant: 'It can’t be done as things are: no other DNS host is known here.',
};
export const handoverPlan = {
  title: (a: V) => `Handover of ${a}`,
  head: (a: V, b: V) => `Name servers and records can go from ${a} to ${b}.`,
  stays: (a: V) => `The registration stays at ${a}; nothing is ordered and nothing is paid.`,
  lower: (span: V) => `Lower the TTLs first (the longest is ${span})`,
  start: 'Start the handover',
  startNote: 'The name servers are switched only after both hosts give the same answers.',
  planning: 'Working it out…',
  noHost: 'Choose a new DNS host under Records first.',
  cost: 'nothing',
};
export const carrySheet = {
  filter: 'Show',
  fill: (host: V) => `Put what is wanted on ${host}`,
  all: 'all',
  open: 'not there yet',
  needs: 'needs you',
  find: 'Name or type',
  kinds: {
    unknown: 'not asked',
    missing: 'missing',
    different: 'different',
    extra: 'only there',
    ttl: 'TTL differs',
    same: 'same',
  },
  there: 'as wanted',
  thereToo: (n: V) => `${n} as wanted`,
  left: 'left out',
  set: 'Record set',
  old: 'Now',
  fresh: 'At the new host',
  nothing: 'nothing',
  none: 'Get a copy of the present zone first; then every record set stands here, what would break on top.',
  noHost: 'No new host is chosen yet, so there is nothing to compare with.',
  empty: 'Nothing of that kind.',
  saveWanted: 'Save what is wanted as a zone file',
  summary: (total: V, open: V, needs: V) =>
    `${total} record sets; ${open} not there yet as wanted` +
    (needs ? `; ${needs} ${needs === 1 ? 'needs' : 'need'} your decision.` : '.'),
  more: (n: V) => `${n} more`,
  decide: 'Decide',
  carry: 'Carry it as it is',
  keep: 'Keep what the new host has',
  edit: 'Change it',
  leave: 'Leave it out',
  undo: 'Take the decision back',
  data: 'Data, one record a line',
  ttlSeconds: 'TTL in seconds',
  reason: 'Why',
  keepIt: 'Save this decision',
  cancel: 'Cancel',
  decided: {
    carry: 'carried as it is',
    keep: 'the new host’s is kept',
    edit: 'changed',
    leave: 'left out',
  } as Record<string, string>,
  byHand: 'Type it in there',
  record: (n: V) => `Record ${n}`,
  fields: {
    owner: 'Name',
    type: 'Type',
    value: 'Value',
    ttl: 'TTL',
    priority: 'Priority',
    weight: 'Weight',
    port: 'Port',
    target: 'Target',
    flags: 'Flags',
    tag: 'Tag',
    usage: 'Usage',
    selector: 'Selector',
    matching: 'Matching',
    data: 'Data',
    algorithm: 'Algorithm',
    key_tag: 'Key tag',
  } as Record<string, string>,
  openThere: 'Open its pages',
};
export const recordVisit = {
  open: 'Enter one by one, beside its page',
  enter: (type: V) => `Enter this ${type} record`,
  part: (n: V, of: V) => `Record ${n} of ${of} of this set`,
  row: 'The whole row',
  typed: 'Entered',
  typedNext: 'Entered, next',
  allTyped: (n: number) =>
    n === 1
      ? 'The record was entered: ask the servers.'
      : `All ${n} were entered: ask the servers.`,
  allThere: (n: V) => `When last asked, the servers answered ${n} record sets as wanted.`,
  nothing: 'No record is to be entered by hand here.',
  again: 'Go through them again',
  answered: (n: V, of: V) => `${n} of ${of} record sets answered as wanted.`,
};
export const tiedServices = {
  none: 'Nothing in the old account is known to depend on this name.',
  about:
    'What ends with the old account, found by records that point there or asked because no record shows it.',
  asked: 'Is there one? No record shows it.',
  open: 'open',
  replaced: 'replaced',
  given_up: 'given up',
  no: 'there is none',
  isReplaced: 'It is replaced',
  giveUp: 'Give it up',
  isNone: 'There is none',
  again: 'Open it again',
  by: 'What replaces it',
  why: 'Why it may go',
  keep: 'Save this',
};
export const handoverRail = {
  none: 'Without a copy of the present zone nothing can be said of its times.',
  instants: {
    lower_at: 'TTLs are lowered',
    rely_at: 'No cache holds a long TTL any more',
    ds_remove_at: 'The DS leaves the registry',
    switch_at: 'The name servers change',
    order_at: 'The transfer may be ordered',
    retire_at: 'The old host may go',
  },
  seen: 'seen',
  assumed: 'The registry’s own TTLs could not be asked; a day is assumed.',
  unbounded:
    'The old zone’s own name servers can’t be changed from here, so some resolvers may ask the old host ' +
    'for as long as it answers: keep it as long as you can.',
  leftAlone: 'Its move leaves the name servers as they are: nothing is handed over.',
  wayBack: 'The way back:',
  now: 'Now:',
  ifBegun: 'If it began now:',
  stillAnswers: (a: V) => `The old servers have to answer until ${a}.`,
};
export const serverAnswers = {
  none: 'No server was asked yet. Ask them now, and again before, during and after the switch.',
  roles: { old: 'old host', new: 'new host', parent: 'registry' } as Record<string, string>,
  states: {
    old: 'as the old zone',
    new: 'as wanted',
    both: 'as wanted, like the old zone',
    neither: 'something else',
    nothing: 'no such zone',
    refused: 'refuses',
    silent: 'does not answer',
    answers: 'answers',
  } as Record<string, string>,
  parent: {
    old: 'shows the old servers',
    new: 'shows the new servers',
    nothing: 'shows none',
  } as Record<string, string>,
  serial: (n: V) => `serial ${n}`,
  since: 'since',
  server: 'Server',
  says: 'Answers',
  overTime: 'Over time',
  glue: 'Addresses at the registry',
  ds: 'DS',
  picture: (a: V, n: V) => `What ${a} answered over time: ${n} stretches`,
  differs: (n: V) => `${n} ${n === 1 ? 'set differs' : 'sets differ'}`,
};
export const laterServers = {
  found: 'Named in the destination’s emails',
  take: 'Take these',
  type: 'Or type them, with blanks between',
  keep: 'Keep these name servers',
  none: 'No email of the destination names any yet.',
};
