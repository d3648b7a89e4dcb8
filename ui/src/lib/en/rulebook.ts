import type { V } from './value';

/** Words of the views in views/rulebook. */
export const addSuffixes = {
  title: 'Add suffixes, or a family of their own',
  suffixes: 'Suffixes',
  like: 'They follow',
  ownTitle: 'Called, as a family of their own',
  source: 'Where that is written, or who said it',
  of: 'Of',
  add: 'Add them',
  none: 'none',
  values: {
    code: 'Code: needed, none or registry',
    code_days: 'Days that a code is valid',
    lock: 'Lock: yes or none',
    approval: 'Approval: registry, mail (email), none or push',
    years_added: 'Years added',
    max_years: 'Years at most',
    response_days: 'Days until silence counts',
    auto_renew_grace_days: 'Days of grace after expiry',
    presence: 'Papers or presence that it wants',
  } as Record<string, string>,
};
export const family = {
  andMore: (a: V) => `and ${a} more, all that are marked as generic; choose one above`,
  inDays: (a: number) => (a === 1 ? ' (1 day)' : ` (${a} days)`),
  overruledHere: 'overruled here',
  wholeMove: 'A whole move takes (hours)',
  spanOf: (a: V) => `least, usual, most; nine of ten are done in ${a} h`,
  rule: 'Rule',
  effect: 'Effect',
  ruleSays: 'What it says',
  from: 'From',
  days: (a: number) => (a === 1 ? ', 1 day' : `, ${a} days`),
  rules: (a: V) => `Rules: ${a}.`,
  notHere: (a: V) => `Not here: ${a}.`,
  toFix: 'to fix',
  fromMemory: ', quoted from memory',
  ownRuleNote: ', this site’s own rule',
};
export const overrides = {
  ownRules: 'This site’s own rules',
  for: 'For',
  is: (a: V) => `, ${a} is`,
  saidBy: (a: V, b: V, c: V) => `(${a}, ${b}); said by ${c},`,
  takenBack: '; taken back',
  withdraw: 'Take it back',
  overruledNone: 'Nothing is overruled here: the rulebook holds as it was shipped.',
};
export const overrule = {
  overruleTitle: 'Overrule a value for one suffix',
  suffix: 'Suffix',
  overruleWhat: 'Value or rule',
  values: 'Values',
  rules: 'Rules',
  isHere: 'is here',
  source: 'Source',
  overruleSource: 'where it is written, who said so',
  of: 'of',
  saveIt: 'Save',
  overrulePreview: 'Show which names it changes',
  itChangesOfNamesUnder: (a: V, b: number, c: V) =>
    `It changes ${a} of ${b} ${b === 1 ? 'name' : 'names'} under “.${c}”:`,
  itChangesNoneOfThe: (a: number, b: V) =>
    a === 1
      ? `It does not change the name under “.${b}” today.`
      : `It changes none of the ${a} names under “.${b}” today.`,
  overruleValue: 'its new value',
  overruleHint: 'days, or off',
};
export const rulebook = {
  head: 'What may move when, by suffix, and how it is known.',
  noFamilyLists: (a: V) =>
    `No family of the rulebook lists ${a}. Say which family holds, from a source that you trust; ` +
    'until then, what its registry wants is not known here.',
  rulebook: 'Rulebook',
  rulesIntro:
    'What holds for each suffix, and from where. “Quoted from memory” was not checked ' +
    'against its source here.',
  suffix: 'Suffix',
  all: 'all',
  overruleWho: 'An administrator can overrule a value for one suffix.',
};
