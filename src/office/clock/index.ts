/** What time it is, and how it can be set. */
export { Clock, clockSettingSchema, type ClockSetting } from './Clock';
export { SteadyTime } from './SteadyTime';
