import { guide } from './guide';
import { may } from './session.svelte';
import type { Operation } from './api';
import { say } from './say';
import { views } from './views';

/** Something that search finds: where it leads, and by what other words it is found. */
export type Hit = { title: string; note: string; path: string; also?: string };
/** A name, and what the server gave it for; undefined where that was another question. */
export type NameHit = Hit & { answers?: string | undefined };
export type Group = { title: string; hits: Hit[]; left: number };
/** So many of a group stand there until somebody asks for more of it. */
export const SHOWN = 5;

// Acts and parts of views: where each is, what it needs, and what people call it.
const PLACES: [path: string, title: string, also: string, needs?: Operation][] = [
  ['/names/take-in', say.palette.addNames, 'import paste csv list table', 'takeIn'],
  ['/approvals', say.views.approvals, 'approve release'],
  ['/batches', say.views.batches, 'waves many at once'],
  ['/ledger', say.views.ledger, 'cost price receipt saved money invoice'],
  ['/codes', say.palette.pasteCodes, 'authorization code epp list', 'keepCodes'],
  ['/accounts', say.palette.registrars, 'add account price epp connection'],
  ['/accounts/dns-hosts', say.palette.dnsHosts, 'add name servers zone tsig key'],
  ['/accounts/people', say.palette.invite, 'person people role user password', 'invite'],
  ['/accounts/settings', say.palette.mailbox, 'imap smtp email outgoing mail', 'settings'],
  ['/accounts/settings', say.palette.records, 'rdap whois suffix public record', 'settings'],
  ['/accounts/settings', say.palette.rates, 'currency exchange holidays', 'settings'],
  ['/accounts/settings', say.palette.webhooks, 'webhook program chat', 'webhooks'],
  ['/rulebook', say.palette.overrule, 'rule override suffix family', 'override'],
  ['/you', say.palette.calendar, 'ical feed subscribe'],
  ['/you', say.palette.tokens, 'api token program script'],
  ['/you', say.palette.password, 'passkey second factor authenticator session sign-in'],
  ['/you', say.palette.notices, 'notify mail daily'],
  ['/begin', say.palette.begin, 'start first set up'],
];

const folded = (text: string) => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
/** The host within what may be a URL. */
export const hostOf = (text: string) =>
  text
    .trim()
    .toLowerCase()
    .replace(/^[a-z][a-z0-9+.-]*:\/\//, '')
    .replace(/[/?#].*$/s, '')
    .replace(/:\d+$|\.$/, '')
    .replace(/^(\*|www)\./, '');

const holds = (hit: Hit, words: string[]) => {
  const all = folded(`${hit.title} ${hit.note} ${hit.also ?? ''}`);
  return words.every((word) => all.includes(word));
};

/** Views, their parts and acts, and help, as far as whoever is signed in may. */
function places(): Hit[] {
  const able = PLACES.filter(([, , , needs]) => !needs || may(needs));
  return [
    ...views().map((v) => ({ title: v.title, note: say.palette.view, path: v.path })),
    ...able.map(([path, title, also]) => ({ title, note: say.palette.act, path, also })),
  ];
}

/** What is found, in groups; whole: the groups that are shown to their end. */
export function search(
  text: string,
  of: { names: NameHit[]; moves: Hit[] },
  whole: ReadonlySet<string>,
): Group[] {
  const plain = folded(hostOf(text));
  const words = plain.split(/\s+/).filter(Boolean);
  const help = guide().map((page) => ({
    title: page.title,
    note: say.palette.help,
    path: `/help/${page.id}`,
    also: page.words,
  }));
  const groups: [string, Hit[]][] = [
    [say.palette.moves, of.moves.filter((hit) => holds(hit, words))],
    // the server finds them in any spelling; until it has answered, those of before that match
    [say.palette.names, of.names.filter((hit) => hit.answers === text || holds(hit, words))],
    [say.palette.places, places().filter((hit) => holds(hit, words))],
    [say.palette.helpTitle, help.filter((hit) => words.length && holds(hit, words))],
  ];
  return groups
    .filter(([, hits]) => hits.length)
    .map(([title, hits]) => {
      const shown = whole.has(title) ? hits : hits.slice(0, SHOWN);
      return { title, hits: shown, left: hits.length - shown.length };
    });
}
