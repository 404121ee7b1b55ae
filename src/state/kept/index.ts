/** What is kept one by one: its keys and forms in storage; and pictures, which are read when they are shown. */
export { catchUpKeys, faxPagesKind, keptKinds, pictureKind } from './kinds';
export { oldKeys, oldReckoningKind, oldSeenKind, type OldEnd, type OldReckoning } from './oldReckoning';
export { keepPicture, pictureKeyOf, readPicture, usePicture } from './pictures';
