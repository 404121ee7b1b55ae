/** The offices of this device: the sample, and one that was begun here. */
export {
  askedToJoin,
  beginOffice,
  chooseChair,
  chooseOffice,
  chosenChair,
  chosenOffice,
  forgetOwnOffice,
  keepOwnToken,
  ownOfficeName,
  isGuestPage,
  isOutsidePlayed,
  isServed,
  ownStorage,
  ownToken,
  sampleStorage,
  servedStorage,
} from './choosing';
