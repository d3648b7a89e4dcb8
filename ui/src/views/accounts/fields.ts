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
  {
    key: 'password',
    label: say.fields.passwordSealed,
    required: true,
    type: 'password',
    autocomplete: 'off',
  },
  { key: 'ca', label: say.fields.fileOfItsCertificateAuthority, mono: true },
  { key: 'server', label: say.fields.nameInItsCertificateIf, mono: true },
  { key: 'certificate', label: say.fields.fileOfYourClientCertificate, mono: true },
  { key: 'key', label: say.fields.fileOfItsKey, mono: true },
];

export const PRICES: FieldRow[] = [
  { key: 'currency', label: say.fields.currency, pattern: '[A-Z]{3}' },
  { key: 'renew', label: say.fields.aYearHereCosts },
  { key: 'transfer', label: say.fields.aTransferToHereCosts },
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

/** How orders are placed and paid there. */
export const ORDERING: FieldRow[] = [
  {
    key: 'paid_by',
    label: say.fields.paidBy,
    of: [
      ['', say.fields.notKnown],
      ['card', say.fields.card],
      ['balance', say.fields.balance],
      ['invoice', say.fields.invoice],
    ],
  },
  {
    key: 'list_separator',
    label: say.fields.betweenNameAndCode,
    of: [
      ['', say.fields.comma],
      [';', say.fields.semicolon],
      ['\t', say.fields.tab],
      [' ', say.fields.blankSign],
    ],
  },
  { key: 'list_header', label: say.fields.firstLine, mono: true },
  {
    key: 'list_quoting',
    label: say.fields.quotes,
    of: [
      ['', say.fields.whereNeeded],
      ['always', say.fields.always],
      ['never', say.fields.never],
    ],
  },
  { key: 'confirm_link', label: say.fields.confirmLink, yes: true },
  { key: 'confirm_halves', label: say.fields.confirmHalves, yes: true },
  { key: 'confirm_code', label: say.fields.confirmCode, yes: true },
  { key: 'tag', label: say.fields.tag, mono: true },
];

/** What shall hold at it after a move. */
export const AIMS: FieldRow[] = (['lock', 'auto_renew', 'privacy'] as const).map((what) => ({
  key: `aim_${what}`,
  label: say.aims.names[what],
  of: [
    ['', say.fields.usual],
    ['on', 'on'],
    ['off', 'off'],
    ...(what === 'auto_renew' ? ([['any', say.aims.values.any ?? '']] as const) : []),
    ...(what === 'privacy' ? ([['as_before', say.aims.values.as_before ?? '']] as const) : []),
  ],
}));
AIMS.push({ key: 'aim_contacts', label: say.aims.names.contacts });

export const KNOWN: FieldRow[] = [
  { key: 'registrar_names', label: say.fields.otherNamesInTheRecord },
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
  { act: 'renew', label: say.fields.theRenewal, of: [CONNECTED, PAGE, LETTER] },
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
    of: [
      CONNECTED,
      PAGE,
      ['link', say.fields.byTheLinkInIts],
      LETTER,
      ['none', say.fields.onlyBySilence],
    ],
  },
  { act: 'push', label: say.fields.handingOver, of: [PAGE, LETTER] },
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
      ['technical', say.fields.theTechnicalContact],
    ],
  },
  {
    key: 'code_guard',
    label: say.fields.beforeItShowsACode,
    of: [
      ['', say.fields.nothingOrNotKnown],
      ['mail', say.fields.aCodeByMail],
      ['factor', say.fields.aSecondFactor],
    ],
  },
  { key: 'code_reason', label: say.fields.itAsksForAReason, yes: true },
  {
    key: 'code_takes',
    label: say.fields.minutesUntilACodeComes,
    placeholder: '1, 10, 60',
    pattern: '[0-9., ]*',
  },
  {
    key: 'contacts_late',
    label: say.fields.hoursUntilAnEditedContact,
    inputmode: 'decimal',
    pattern: '[0-9.]*',
  },
  { key: 'opt_out', label: say.fields.itOffersTheOptOut, yes: true },
  { key: 'service', label: say.fields.itsSeparatePrivacyService },
  { key: 'service_site', label: say.fields.addressOfThatServicesPages, type: 'url', mono: true },
  { key: 'service_login', label: say.fields.yourSignInThere, mono: true, autocomplete: 'off' },
  { key: 'service_identity', label: say.fields.itWantsAnIdentityCheck, yes: true },
  { key: 'service_from', label: say.fields.domainThatItWritesFrom, mono: true },
];
