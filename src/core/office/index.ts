/** The office as it is configured: people, lines, devices, ring plans. */
export { OfficeIndex } from './OfficeIndex';
export {
  deviceKinds,
  e164Schema,
  finishSchema,
  officeSetupSchema,
  strokes,
  type Device,
  type Finish,
  type Line,
  type OfficeSetup,
  type Person,
  type RingPlan,
  type RingRule,
  type Stroke,
} from './setup';
