/** A call of the office: what it is, what may be asked of it, and what it tells. What carries it out is at `./machine`. */
export type { Visit } from './call';
export type { VisitAct } from './visiting';
export { afterRefusal, type AfterRefusal } from './afterRefusal';
export {
  callerOf,
  callSchema,
  isLive,
  isMachine,
  isMailbox,
  isOfPlan,
  isOpenRoom,
  isPending,
  isTalking,
  recordingSchema,
  type Call,
  type CallAct,
  type Endpoint,
  type Leg,
  type LegState,
  type Queued,
  type Recording,
} from './call';
export { isHostIn, roomOf } from './rooms';
export { causeValues, type Cause } from './causes';
export {
  commandSchema,
  targetSchema,
  type Command,
  type CommandOf,
  type CommandResult,
  type MakeCommand,
  type Refusal,
  type Target,
} from './commands';
export { exchangeEventSchema, type ExchangeEvent } from './events';
export {
  agentSchema,
  agentStates,
  exchangeStateSchema,
  type Agent,
  type AgentState,
  type ExchangeState,
} from './state';
export { agentNow, teamNow, type AgentNow, type MemberNow, type OfficeNow, type TeamNow } from './teamNow';
export { barredWhy, foresee, whyNotSentTo } from './foresee';
export { isAudible, whatIsHeard, type Heard } from './audioPaths';
export { voicePaths, type VoicePath } from './voicePaths';
export { attendingOf, hostsOf } from './attending';
export { picturePaths, type PicturePath } from './picturePaths';
export { greetingOf } from './mailbox';
export { limits } from './limits';
export { recordingPolicyOf } from './recording';
export { recordIdOf, recordSchema, type CallOutcome, type CallRecord } from './record';
export { allowedIn, type LegAct } from './transitions';
