import type { V } from './value';

/** Words of the views in views/hands. */
export const hands = {
  acts: {
    aPlace: 'a place',
    done: (a: V) => `Done: ${a}`,
    byLetter: 'by letter',
    seeItsMove: 'See its move',
    this1ActIsDone: 'This 1 act is done',
    theseActsAreDone: (a: V) => `These ${a} acts are done`,
    thisOnlyStartsTheLooking: 'This only starts the looking; each step is done when it is seen from outside.',
    writeOneLetterFor: (a: V) => `Write one letter for ${a}`,
    names: (a: V) => `${a} names`,
    written: 'written',
    said: 'said',
  },
  consentForm: {
    consent: 'Consent',
    theOwnersConsent: 'The owner’s consent',
    beforeThePrivacyServiceGoes: (a: V) =>
      'Before the privacy service goes off, whoever the contacts belong to has to agree. Public will ' +
      `be: ${a}; from when it goes off until the privacy service of the new registrar is on.`,
    whoGaveItAndHow: 'Who gave it, and how',
    untilTheEndOf: 'Until the end of',
    recordTheConsentFor: (a: V) => `Record the consent for ${a}`,
    names: (a: V) => `${a} names`,
    n1Name: '1 name',
  },
  handPanel: {
    byHand: (a: V) => `By hand: ${a}`,
    itIsLate: 'It is late.',
    writeToItsSupport: 'Write to its support',
    seenBy: (a: V) => `Seen by: ${a}.`,
    lookedAtAgain: 'Looked at again',
    takenBackBy: (a: V) => ` Taken back by: ${a}.`,
    writeTheLetterUnderBy: 'Write the letter under “By hand”',
    togetherWithAllElseFor: ', together with all else for this registrar.',
    saidToBeDone: 'Said to be done',
    theDeskLooksForThe: '. The desk looks for the proof; your word is not one.',
    iHaveDoneIt: 'I have done it',
    thisOnlyStartsTheLooking: 'This only starts the looking: the step is done when it is seen from outside.',
  },
  hands: {
    byHand: 'By hand',
    whatRegistrarsOfferNoConnection:
      'What registrars offer no connection for, gathered by place: sign in once, do all of it, and say ' +
      'so. The desk proves each act from outside.',
    itIsNotKnownWhether: (a: V) => `It is not known whether the letter to ${a} went out`,
    lateHasNotAnswered: (a: V) => `Late: ${a} has not answered`,
    written: 'Written',
    sendAReminder: 'Send a reminder',
    pasteAListOfCodes: 'Paste a list of codes',
    actsAtRegistrarsWithoutA:
      'Acts at registrars without a connection will stand here, each with where to sign in, what to do ' +
      'there, and how the desk sees it done.',
    chooseNames: 'Choose names',
    andPlanTheirMoves: 'and plan their moves.',
    letters: 'Letters',
    sentByTheDesk: 'sent by the desk',
    sentByHand: 'sent by hand',
    notKnownWhetherItWent: 'not known whether it went out',
    noAnswerYet: 'no answer yet',
  },
  letter: {
    to: 'To',
    theAddress: 'the address',
    subject: 'Subject',
    theSubject: 'the subject',
    theLetter: 'The letter',
    sendIt: 'Send it',
    iHaveSentItMyself: 'I have sent it myself',
    openItInYourMail: 'Open it in your mail program',
    saveItAsAFile: 'Save it as a file (.eml)',
    leaveIt: 'Leave it',
    noSecretStandsInIt: (a: V) =>
      `No secret stands in it. The answer is matched by its reference ${a}; a lock or a code that was ` +
      'asked for is due within five days, then a reminder is offered.',
  },
  pasteCode: {
    itsCodeAsItStands: 'Its code, as it stands there',
    intoTheCodeSafe: 'Into the code safe',
  },
  place: {
    at: 'At',
    as: ', as',
  },
};
