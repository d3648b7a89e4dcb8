import type { V } from './value';

/** Words of the views in views/desk. */
export const desk = {
  card: {
    lookedAtAgain: 'Next check',
    theContactsArePublicFor: (a: V, b: V) => `The contacts are public for ${a}${b}.`,
    approveTheRelease: 'Approve the release',
    seeTheMove: 'See the move',
    longerThanTheOwnerConsented: ', longer than the owner consented to',
  },
  desk: {
    beginHere: 'Begin here: from nothing to the first judged name.',
    changedOutside: 'Changed in the public record',
    desk: 'Desk',
    nothingIsUnderWay: 'Nothing is under way.',
    chooseANameUnderNames: 'Choose a name under Names',
    andPlanItsMove: 'and plan its move.',
    endedLately: 'Ended lately',
    started: (a: V, b: V, c: V) => `${a}: ${b} → ${c}, started`,
    approvalsAndDecisionsThatOnly:
      'Approvals and decisions that only you can give will stand here, the most pressing first.',
    whatARegistrarOrThe: 'What a registrar or the registry has to do or show will stand here, with when it is late.',
    whatOnlyNeedsTimeSuch: 'What only needs time, such as caches that have to forget, will stand here with its end.',
  },
  gathered: {
    turnThePrivacyServiceOn: (a: V) => `Turn the privacy service on for ${a}: the consent has ended`,
    publicLongerThanTheOwner: (a: V) => `Public longer than the owner consented to: ${a}.`,
    seeWhatAndWhere: 'See what and where',
    recordTheOwnersConsentFor: (a: V) => `Record the owner’s consent for ${a}`,
    theirContactsBecomePublicWhile: 'Their contacts become public while the privacy service is off.',
    recordIt: 'Record it',
    remindTheLetterAboutIs: (a: V, b: V) => `Remind ${a}: the letter about ${b} is late`,
    sendAReminder: 'Send a reminder',
    writeToFor: (a: V, b: V) => `Write to ${a} for ${b}`,
    tasksAt: (n: number, place: V) => (n === 1 ? `1 task at ${place}` : `${n} tasks at ${place}`),
    writeTheLetter: 'Write the letter',
    oneName: '1 name',
    names: (a: V) => `${a} names`,
  },
  stray: {
    somebodyAskedFor: 'Somebody asked for the transfer of',
    andNobodyHereOrderedIt: ', and nobody here ordered it.',
    itWasAskedForBy: (a: V) => `It was asked for by ${a}.`,
    silenceLetsItGo: 'Unless it is refused, it goes ahead',
    theDeadlineIsNotKnown: 'Its deadline is not known; mostly silence counts as approval after five days.',
    theDeskCanRefuseIt: (a: V) => `The desk can refuse it over the connection to ${a}.`,
    refuseItAt: (a: V) => `Refuse it at ${a}, on its pages or by its support.`,
    refuseTheTransfer: 'Refuse the transfer',
    yesRefuse: (a: V) => `Yes, ${a} stays here`,
    itIsExpected: 'It is expected',
  },
};
