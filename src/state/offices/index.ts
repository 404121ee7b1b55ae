/** The offices of this device: the sample, and one that was begun here. */
export {
  beginOffice,
  chooseChair,
  chooseOffice,
  chosenChair,
  chosenOffice,
  forgetOwnOffice,
  ownOfficeName,
  ownStorage,
  sampleStorage,
} from './choosing';
