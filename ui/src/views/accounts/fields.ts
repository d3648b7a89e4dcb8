import { say } from '../../lib/say';

/**
 * The fields of an account, as data: key, label, what the input takes. `of`: a choice; `yes`: one
 * of yes and no.
 */
export interface FieldRow {
  key: string;
  label: string;
  required?: boolean;
  mono?: boolean;
  type?: string;
  pattern?: string;
  inputmode?: 'decimal';
  amount?: string;
  autocomplete?: 'off';
  placeholder?: string;
  yes?: boolean;
  of?: readonly (readonly [string, string])[];
}

export const YES = [
  ['', say.fields.notKnown],
  ['yes', 'yes'],
  ['no', 'no'],
] as const;

export const CONNECTION: FieldRow[] = [
  { key: 'host', label: say.fields.eppHost, required: true, mono: true },
  { key: 'port', label: say.fields.port, required: true, type: 'number' },
  { key: 'client', label: say.fields.clientIdentifier, required: true, mono: true },
  {
    key: 'password',
    label: say.fields.passwordSealed,
    required: true,
    type: 'password',
    autocomplete: 'off',
  },
  { key: 'ca', label: say.fields.authorityFile, mono: true },
  { key: 'server', label: say.fields.certificateName, mono: true },
  { key: 'certificate', label: say.fields.clientCertificateFile, mono: true },
  { key: 'key', label: say.fields.clientKeyFile, mono: true },
];

export const PRICES: FieldRow[] = [
  { key: 'currency', label: say.fields.currency, pattern: '[A-Z]{3}' },
  { key: 'renew', label: say.fields.yearPrice },
  { key: 'transfer', label: say.fields.transferPrice },
  { key: 'register', label: say.fields.register },
  { key: 'renew_later', label: say.fields.renewLater },
  { key: 'promotion', label: say.fields.promotion },
  { key: 'per_transaction', label: say.fields.perTransaction },
  { key: 'privacy_price', label: say.fields.privacyPrice },
];
/** Beside the amounts. */
export const TERMS: FieldRow[] = [
  { key: 'promotion_code', label: say.fields.promotionCode, mono: true },
  { key: 'promotion_until', label: say.fields.promotionUntil, type: 'date' },
  { key: 'tax', label: say.fields.tax, inputmode: 'decimal', pattern: '[0-9]+([.,][0-9]{1,3})?' },
];

export const SENDERS: FieldRow = {
  key: 'senders',
  label: say.fields.senderDomains,
  mono: true,
};
