/** How the office is configured: changed by whoever runs it, checked as a whole, logged, and taken back. */
export type { Configuration, Reconfigure, SetupLogChange } from './Configuration';
export {
  configurationRequestSchema,
  type ConfigurationRefusal,
  type ConfigurationReply,
  type ConfigurationRequest,
  type ReadConfigurationRequest,
} from './requests';
export { seenSetupLogSchema, setupLogSeen, wholeSetupLogSeen } from './seen';
