/** The offices of this device: the sample, and one that was begun here. */
export {
  beginOffice,
  chooseOffice,
  chosenOffice,
  forgetOwnOffice,
  ownOfficeName,
  ownStorage,
  sampleStorage,
} from './choosing';
