/** The office phone system as a deterministic machine. */
export { afterRefusal, type AfterRefusal } from './afterRefusal';
export {
  callerOf,
  callSchema,
  isLive,
  isMachine,
  isMailbox,
  isPending,
  isTalking,
  recordingSchema,
  type Call,
  type CallAct,
  type Endpoint,
  type Leg,
  type LegState,
  type Recording,
} from './call';
export { causeValues, type Cause } from './causes';
export {
  commandSchema,
  targetSchema,
  type Command,
  type CommandOf,
  type MakeCommand,
  type Refusal,
  type Target,
} from './commands';
export { exchangeEventSchema, type ExchangeEvent } from './events';
export { Exchange, exchangeStateSchema, type CommandResult, type ExchangeState } from './Exchange';
export { barredWhy, foresee, whyNotSentTo } from './foresee';
export { isAudible, whatIsHeard, type Heard } from './hearing';
export { greetingOf } from './mailbox';
export { limits } from './limits';
export { recordSchema, type CallOutcome, type CallRecord } from './record';
export { recordIdOf } from './records';
export { allowedIn, type LegAct } from './transitions';
