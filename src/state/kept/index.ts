/** What is kept one by one: its keys and forms in storage. */
export { inboxKeys, faxPagesKind, keptKinds, pictureKind } from './kinds';
export { oldKeys, oldReckoningKind, oldSeenKind, type OldEnd, type OldReckoning } from './oldReckoning';
