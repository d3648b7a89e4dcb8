import { say } from '../../lib/say';

/** The fields of an account, as data: key, label, what the input takes. `of`: a choice; `yes`: one of yes and no. */
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
  ['', say.fields.notKnown],
  ['yes', 'yes'],
  ['no', 'no'],
] as const;

export const CONNECTION: FieldRow[] = [
  { key: 'host', label: say.fields.eppHost, required: true, mono: true },
  { key: 'port', label: say.fields.port, required: true, type: 'number' },
  { key: 'client', label: say.fields.clientIdentifier, required: true, mono: true },
  { key: 'password', label: say.fields.passwordSealed, required: true, type: 'password', autocomplete: 'off' },
  { key: 'ca', label: say.fields.fileOfItsCertificateAuthority, mono: true },
  { key: 'server', label: say.fields.nameInItsCertificateIf, mono: true },
  { key: 'certificate', label: say.fields.fileOfYourClientCertificate, mono: true },
  { key: 'key', label: say.fields.fileOfItsKey, mono: true },
];

export const PRICES: FieldRow[] = [
  { key: 'currency', label: say.fields.currency, pattern: '[A-Z]{3}' },
  { key: 'renew', label: say.fields.aYearHereCosts },
  { key: 'transfer', label: say.fields.aTransferToHereCosts },
];

export const KNOWN: FieldRow[] = [
  { key: 'registrar_id', label: say.fields.numberInTheRecord, pattern: '[0-9]{1,10}', mono: true },
  { key: 'suffixes', label: say.fields.suffixesThatItTakesIf, mono: true },
  { key: 'payment', label: say.fields.paymentThereReadyOrWhat },
  { key: 'reads', label: say.fields.itReadsTheContactsBefore, of: YES },
  { key: 'privacy', label: say.fields.mailDomainOfItsPrivacy, mono: true },
  { key: 'senders', label: say.fields.domainsThatItWritesFrom, mono: true },
];

const PAGE = ['page', say.fields.onItsPages] as const;
const LETTER = ['letter', say.fields.byLetterToItsSupport] as const;
const CONNECTED = ['connection', say.fields.overTheConnection] as const;

/** Each act and the ways in which it may be done. */
export const WAYS: { act: string; label: string; of: (readonly [string, string])[] }[] = [
  { act: 'unlock', label: say.fields.theTransferLock, of: [CONNECTED, PAGE, LETTER] },
  {
    act: 'code',
    label: say.fields.theAuthorizationCode,
    of: [CONNECTED, PAGE, ['mail', say.fields.askedForOnItsPages], LETTER],
  },
  {
    act: 'privacy',
    label: say.fields.thePrivacyService,
    of: [PAGE, LETTER, ['service', say.fields.atASeparateService]],
  },
  { act: 'contacts', label: say.fields.contacts, of: [CONNECTED, PAGE, LETTER] },
  { act: 'name_servers', label: say.fields.nameServers, of: [CONNECTED, PAGE, LETTER] },
  {
    act: 'release',
    label: say.fields.theReleaseOfATransfer,
    of: [CONNECTED, PAGE, ['link', say.fields.byTheLinkInIts], LETTER],
  },
];

export const HABITS: FieldRow[] = [
  { key: 'site', label: say.fields.addressOfItsPages, type: 'url', mono: true },
  { key: 'login', label: say.fields.yourSignInThere, mono: true, autocomplete: 'off' },
  { key: 'support', label: say.fields.addressOfItsSupport, type: 'email', mono: true },
  {
    key: 'code_to',
    label: say.fields.itMailsTheCodeTo,
    of: [
      ['', say.fields.notKnown],
      ['registrant', say.fields.theRegistrant],
      ['admin', say.fields.theAdministrativeContact],
    ],
  },
  { key: 'code_reason', label: say.fields.itAsksForAReason, yes: true },
  {
    key: 'code_takes',
    label: say.fields.minutesUntilACodeComes,
    placeholder: '1, 10, 60',
    pattern: '[0-9., ]*',
  },
  { key: 'contacts_late', label: say.fields.hoursUntilAnEditedContact, inputmode: 'decimal', pattern: '[0-9.]*' },
  { key: 'opt_out', label: say.fields.itOffersTheOptOut, yes: true },
  { key: 'service', label: say.fields.itsSeparatePrivacyService },
  { key: 'service_site', label: say.fields.addressOfThatServicesPages, type: 'url', mono: true },
  { key: 'service_login', label: say.fields.yourSignInThere, mono: true, autocomplete: 'off' },
  { key: 'service_identity', label: say.fields.itWantsAnIdentityCheck, yes: true },
  { key: 'service_from', label: say.fields.domainThatItWritesFrom, mono: true },
];
