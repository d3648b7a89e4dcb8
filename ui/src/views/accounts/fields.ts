/** The fields of an account, as data: key, label, and what the input takes. `of` makes it a choice, `yes` one of yes and no. */
export interface FieldRow {
  key: string;
  label: string;
  required?: boolean;
  mono?: boolean;
  type?: string;
  pattern?: string;
  inputmode?: 'decimal';
  autocomplete?: 'off';
  placeholder?: string;
  yes?: boolean;
  of?: readonly (readonly [string, string])[];
}

export const AMOUNT = { inputmode: 'decimal', pattern: '[0-9]+([.,][0-9]{1,2})?' } as const;
export const YES = [
  ['', 'not known'],
  ['yes', 'yes'],
  ['no', 'no'],
] as const;

export const CONNECTION: FieldRow[] = [
  { key: 'host', label: 'EPP host', required: true, mono: true },
  { key: 'port', label: 'Port', required: true, type: 'number' },
  { key: 'client', label: 'Client identifier', required: true, mono: true },
  { key: 'password', label: 'Password (sealed)', required: true, type: 'password', autocomplete: 'off' },
  { key: 'ca', label: 'File of its certificate authority, if not a public one', mono: true },
  { key: 'server', label: 'Name in its certificate, if not the host', mono: true },
  { key: 'certificate', label: 'File of your client certificate, if one is asked for', mono: true },
  { key: 'key', label: 'File of its key', mono: true },
];

export const PRICES: FieldRow[] = [
  { key: 'currency', label: 'Currency', pattern: '[A-Z]{3}' },
  { key: 'renew', label: 'A year here costs' },
  { key: 'transfer', label: 'A transfer to here costs' },
];

export const KNOWN: FieldRow[] = [
  { key: 'suffixes', label: 'Suffixes that it takes, if not all', mono: true },
  { key: 'payment', label: 'Payment there: “ready”, or what is missing' },
  { key: 'reads', label: 'It reads the contacts before it takes a name', of: YES },
  { key: 'privacy', label: 'Mail domain of its privacy service', mono: true },
  { key: 'senders', label: 'Domains that it writes from', mono: true },
];

const PAGE = ['page', 'on its pages'] as const;
const LETTER = ['letter', 'by letter to its support'] as const;
const CONNECTED = ['connection', 'over the connection'] as const;

/** Each act and the ways in which it may be done. */
export const WAYS: { act: string; label: string; of: (readonly [string, string])[] }[] = [
  { act: 'unlock', label: 'The transfer lock', of: [CONNECTED, PAGE, LETTER] },
  {
    act: 'code',
    label: 'The authorization code',
    of: [CONNECTED, PAGE, ['mail', 'asked for on its pages, sent by mail'], LETTER],
  },
  { act: 'privacy', label: 'The privacy service', of: [PAGE, LETTER, ['service', 'at a separate service']] },
  { act: 'contacts', label: 'Contacts', of: [CONNECTED, PAGE, LETTER] },
  { act: 'name_servers', label: 'Name servers', of: [CONNECTED, PAGE, LETTER] },
  {
    act: 'release',
    label: 'The release of a transfer',
    of: [CONNECTED, PAGE, ['link', 'by the link in its mail'], LETTER],
  },
];

export const HABITS: FieldRow[] = [
  { key: 'site', label: 'Address of its pages', type: 'url', mono: true },
  { key: 'login', label: 'Your sign-in there', mono: true, autocomplete: 'off' },
  { key: 'support', label: 'Address of its support', type: 'email', mono: true },
  {
    key: 'code_to',
    label: 'It mails the code to',
    of: [
      ['', 'not known'],
      ['registrant', 'the registrant'],
      ['admin', 'the administrative contact'],
    ],
  },
  { key: 'code_reason', label: 'It asks for a reason for the code', yes: true },
  {
    key: 'code_takes',
    label: 'Minutes until a code comes: least, usual, most',
    placeholder: '1, 10, 60',
    pattern: '[0-9., ]*',
  },
  { key: 'contacts_late', label: 'Hours until an edited contact counts', inputmode: 'decimal', pattern: '[0-9.]*' },
  { key: 'opt_out', label: 'It offers the opt-out of the block', yes: true },
  { key: 'service', label: 'Its separate privacy service' },
  { key: 'service_site', label: 'Address of that service’s pages', type: 'url', mono: true },
  { key: 'service_login', label: 'Your sign-in there', mono: true, autocomplete: 'off' },
  { key: 'service_identity', label: 'It wants an identity check', yes: true },
  { key: 'service_from', label: 'Domain that it writes from', mono: true },
];
