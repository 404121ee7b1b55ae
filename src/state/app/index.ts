/** The app's state, what can be done, and how it starts. */
export { answerFirst, placeCall, send, setClock, setScript, silence, takeOver } from './acts';
export { boot } from './boot';
export { explainNotDialable, explainRefusal } from './refusals';
export {
  formatAny,
  identifyNumber,
  selectHistoryRows,
  selectIncoming,
  selectMyCalls,
  selectMySound,
  selectOffice,
  selectPeople,
  selectPresence,
  selectTaken,
  selectZone,
  type CallPhase,
  type CallView,
  type PartyView,
  type PresenceState,
} from './selectors';
export { ServicesContext, useNow, useServices, type Services } from './services';
export {
  actRefused,
  dialTextChanged,
  phaseChanged,
  presentationChosen,
  setAsideRead,
  themeChosen,
  updated,
} from './slices';
export {
  createAppStore,
  useAppDispatch,
  useAppSelector,
  type AppDispatch,
  type AppStore,
  type RootState,
} from './store';
