/** The office as it is configured: people, teams, lines, devices, ring plans, policies. */
export { emptyOffice } from './emptyOffice';
export { OfficeIndex } from './OfficeIndex';
export { callerMatchSchema, whenSchema, type CallerMatch, type When } from './when';
export {
  deviceKinds,
  e164Schema,
  finishSchema,
  officeSetupSchema,
  recordingPolicies,
  strokes,
  type Device,
  type DeviceKind,
  type Finish,
  type Line,
  type OfficeSetup,
  type Person,
  type RingPlan,
  type RingRule,
  type Stroke,
  type Team,
} from './setup';
