/** The office as it is configured: people, teams, lines, devices, ring plans, policies. */
export {
  addressForm,
  addressSchema,
  addressWords,
  oldPlaceMs,
  type Address,
  type AddressField,
  type PlaceOfPhone,
} from './placeOfPhone';
export { answersFor, calledFor, mayShow, type AnsweredBy } from './answering';
export { conferenceSchema, type Conference } from './conference';
export { emptyOffice } from './emptyOffice';
export {
  handOutOrders,
  lastLevel,
  levelOf,
  plainQueue,
  queueMusics,
  queueSchema,
  type HandOutOrder,
  type Queue,
  type QueueMusic,
} from './queue';
export { firstPlan, isZone, newOffice, newOfficeSchema, type NewOffice } from './newOffice';
export { freeNumbers, kindsInStock, numberKinds, type NumberKind } from './stock';
export { OfficeIndex } from './OfficeIndex';
export { describeFinish, deviceName, nameOf, targetName, teamMailboxName, whereTo } from './names';
export { menuSchema, menuTextAt, type Menu } from './menu';
export { extensionsFrom, spelledBy } from './menuDialling';
export { isAbroad, outwardSchema, whyNotCalled, type Calling, type Outward } from './outward';
export { greetingSeconds, spokenSeconds } from './spoken';
export { callerMatchSchema, whenSchema, type CallerMatch, type When } from './when';
export {
  allWorkingHours,
  cadenceSeconds,
  finishSchema,
  freeRuleId,
  isSamePlan,
  ringPlanSchema,
  secondsOf,
  withoutOver,
  workingHoursOf,
  type Cadence,
  type DayOff,
  type DoNotDisturb,
  type Finish,
  type ForwardAll,
  type Greeting,
  type Meeting,
  type RingLength,
  type RingPlan,
  type RingRule,
  type RingStage,
  type RingTarget,
} from './ringPlan';
export {
  deviceKinds,
  grants,
  hasQueue,
  isGranted,
  keptKinds,
  e164Schema,
  officeSetupSchema,
  personSchema,
  recordingPolicies,
  strokes,
  type ChosenSituation,
  type Device,
  type DeviceKind,
  type Followed,
  type Grant,
  type KeptKind,
  type Line,
  type OfficeSetup,
  type Person,
  type QueueTeam,
  type RecordingPolicy,
  type Situation,
  type Stroke,
  type Team,
} from './setup';
