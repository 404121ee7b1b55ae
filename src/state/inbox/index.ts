/** Who still waits, voicemail and texts: fetched after the start, together with their screens. */
export { selectArrivals } from './arrivals';
export {
  markFaxRead,
  readFaxPages,
  selectFaxes,
  sendFaxAgain,
  stopFax,
  takeBackFax,
  writeFax,
  type NewFax,
} from './faxes';
export {
  selectFilteredRecords,
  selectFilteredRows,
  selectFilteredSums,
  selectFound,
  selectIsFiltered,
  type Found,
} from './finding';
export { markRead, sendAgain, takeBackText, writeText, type NewText } from './texts';
export { letGo, putAway, putOff, selectOrder, takeBack, takeOn } from './whoWaits';
export { deleteRecording, restoreRecording } from './recordings';
export { keepMinutes } from './minutes';
export { canInviteByMail, giveMeetingLink, mailMeetingLink, textMeetingLink } from './meetingLinks';
export {
  chatOfCall,
  comeBack,
  enterRoom,
  leaveRoom,
  openRoom,
  selectRoomLog,
  selectRooms,
  writeInRoom,
  type RoomView,
} from './rooms';
export { selectExpired } from './dropExpired';
export { startInbox } from './startInbox';
export { selectPerson, selectTimeline, type Person, type TimelineItem, type Way } from './timeline';
export {
  deleteVoicemail,
  forwardVoicemail,
  keepTranscript,
  leaveVoicemail,
  restoreVoicemail,
  selectMailboxWords,
  selectMyVoicemails,
  selectShelves,
  setHeard,
} from './voicemails';
