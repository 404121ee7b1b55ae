/** The app's state, what can be done, and how it starts. */
export {
  actMet,
  callHabitsChosen,
  placesChosen,
  asksShownChosen,
  clockStyleChosen,
  diallingChosen,
  favouritesChosen,
  selectCallHabits,
  selectClockStyle,
  selectPlaces,
  selectDialling,
  keepDaysChosen,
  ownRepliesChosen,
  presentationChosen,
  selectCallerChoices,
  selectFavourites,
  selectChosenKeepDays,
  selectKeepDays,
  selectKeptAtMost,
  selectMet,
  selectOwnReplies,
  shownForChosen,
  shownRuleChosen,
} from './habits';
export {
  arrivalsSeen,
  marked,
  selectEndOf,
  selectLooseEnds,
  selectSeenBefore,
  selectWaitingCount,
  weightsChosen,
} from './looseEnds';
export {
  answerFirst,
  changeFollowUp,
  finishFollowUp,
  keepFollowUp,
  keepNote,
  onCurrentCall,
  park,
  placeCall,
  refuseWithText,
  removeWork,
  send,
  sendAndSay,
  setClock,
  selectTextNumber,
  silence,
  takeBackCall,
  textLineOf,
  transfer,
  type RefusalReply,
} from './acts';
export { changeGreeting, hearGreeting } from './greetings';
export { takeNewer, workerFile } from './newer';
export { appKept, newerWaits, type AppKept } from './slices';
export { askToTellElsewhere, canTellElsewhere, sayInFront, tellElsewhere } from './attention';
export type { Beginning, CameBefore, LaterBeginning } from './beginning';
export { loadMissed } from './historyStore';
export { boot, type LaterPart } from './boot';
export { changesBetween } from './changes';
export {
  asKept,
  keptRead,
  rowsCaughtUp,
  rowsReplaced,
  dropSome,
  keepMany,
  keepOne,
  soughtChanged,
  type InboxSlice,
  type Kept,
  type KeptSort,
  type OneKept,
  type OwnSort,
  type Sought,
} from './inboxSlice';
export { askOffice, tablesChanged, waitingMessage } from './asking';
export { explainDenied, explainNotDialable, explainInboxRefusal, explainRefusal } from './refusals';
export {
  legAt,
  nameOfCall,
  selectCallBacks,
  selectIncoming,
  selectAllCalls,
  selectMyCalls,
  selectNames,
  selectLeft,
  selectTaken,
  type CallPhase,
  type CallView,
  type Names,
  type PartyView,
} from './callViews';
export { meetingOf, selectWaitingGuests, type MeetingView, type WaitingGuest } from './meetings';
export { newSecret } from './newSecret';
export {
  canTakeBack,
  selectAtMyOtherPhones,
  selectHandedOver,
  selectParked,
  selectRingingAtColleagues,
  type AtOtherPhone,
  type HandedOver,
  type ParkedView,
  type RingingAtColleague,
} from './otherPhones';
export { freeId } from './freeId';
export { keepOwnNote, putNoteBack, selectNotes, takeNoteOut, type NoteEntry } from './notes';
export { continuousOf, isActive, selectMySound } from './mySound';
export { leaveForGood } from './leavingForGood';
export { takeSoundOffer } from './soundOffer';
export { formatAny, identifyDialled, identifyEndpoint, identifyNumber, type Identity } from './identify';
export {
  selectCards,
  selectContacts,
  selectLastUsed,
  selectOffice,
  selectPeople,
  selectWrite,
  type Write,
  selectPresence,
  selectFailedFaxes,
  selectUnreadFaxes,
  selectUnreadInChat,
  selectUnreadInRooms,
  selectWork,
  selectZone,
  type Presence,
  type PresenceState,
} from './selectors';
export { OwnRows } from './ownRows';
export { useForecast, type Forecast } from './forecast';
export { selectIsLocked, selectMe, selectMyDeviceId, selectMyId } from './session';
export { ServicesContext, useNow, useServices, type MeetingPicturesHere, type Services } from './services';
export {
  dropPlanChanges,
  editPlan,
  putPlanIntoForce,
  selectChangedOffice,
  selectIsPlanChanged,
  selectMyPlan,
  selectMyStanding,
  selectPlanInForce,
  setDoNotDisturb,
  setFollows,
  changeSituations,
  dropOverRules,
  setForwardAll,
  setAnsweredBy,
  setSituation,
} from './planning';
export { type Duties } from './duties';
export { draftRedone, draftUndone, selectPlanDraft } from './planDraft';
export {
  actDone,
  actRefused,
  arriving,
  dialTextChanged,
  shownOnceChosen,
  networkTested,
  speakingChanged,
  spokenOn,
  refusalClosed,
  setAsideRead,
  alertsChosen,
  handChosen,
  lockChosen,
  passkeyChosen,
  remindedLater,
  unlocked,
  placeDoubted,
  placeAsked,
  addressSeen,
  soundChosen,
  soundOffered,
  tellingElsewhereChosen,
  ringingChosen,
  textSizeChosen,
  themeChosen,
  updated,
  wayChosen,
} from './slices';
export {
  createAppStore,
  onceSo,
  useAppDispatch,
  useAppSelector,
  useAppStore,
  whenChanged,
  type AppDispatch,
  type AppStore,
  type RootState,
} from './store';
export { priceOf, selectMyOtherDevices, selectQuality, selectTravel, type Travel } from './callMethod';
