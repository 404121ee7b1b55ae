/** The app's state, what can be done, and how it starts. */
export {
  answerFirst,
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
  setNetwork,
  setScript,
  silence,
  takeOver,
  transfer,
} from './acts';
export { askToTellElsewhere, canTellElsewhere } from './attention';
export { boot } from './boot';
export { explainNotDialable, explainRefusal } from './refusals';
export {
  legAt,
  nameOfCall,
  selectCallBacks,
  selectIncoming,
  selectMyCalls,
  selectTaken,
  type CallPhase,
  type CallView,
  type PartyView,
} from './callViews';
export {
  selectAtMyOtherPhones,
  selectParked,
  selectRingingAtColleagues,
  type AtOtherPhone,
  type ParkedView,
  type RingingAtColleague,
} from './elsewhere';
export { isActive, selectMySound } from './hearing';
export { formatAny, identifyDialled, identifyNumber, type Identity } from './identify';
export {
  selectHistoryRows,
  selectOffice,
  selectPeople,
  selectPresence,
  selectZone,
  type Presence,
  type PresenceState,
} from './selectors';
export { selectOutlook, type Outlook } from './outlook';
export { soundOf } from './recordingSound';
export { ServicesContext, useNow, useServices, type Services } from './services';
export {
  dropPlanChanges,
  editPlan,
  officeWithPlan,
  putPlanIntoForce,
  selectChangedOffice,
  selectIsPlanChanged,
  selectMyPlan,
  selectMyStanding,
  selectPlanInForce,
  setDoNotDisturb,
  setForwardAll,
  setSituation,
} from './planning';
export { draftRedone, draftUndone } from './planSlice';
export {
  actDone,
  dialTextChanged,
  phaseChanged,
  presentationChosen,
  refusalClosed,
  setAsideRead,
  soundChosen,
  tellingElsewhereChosen,
  themeChosen,
  updated,
  wayChosen,
} from './slices';
export {
  createAppStore,
  useAppDispatch,
  useAppSelector,
  useAppStore,
  type AppDispatch,
  type AppStore,
  type RootState,
} from './store';
export { selectMyOtherDevices, selectQuality, selectTravel, type Travel } from './travel';
