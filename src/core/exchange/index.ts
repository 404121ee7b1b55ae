/** The office phone system as a deterministic machine. */
export {
  callerOf,
  callSchema,
  isLive,
  isTalking,
  type Call,
  type Endpoint,
  type Leg,
  type LegState,
} from './call';
export { causeValues, type Cause } from './causes';
export { commandSchema, type Command, type MakeCommand, type Refusal } from './commands';
export { exchangeEventSchema, type ExchangeEvent } from './events';
export { Exchange, exchangeStateSchema, type CommandResult, type ExchangeState } from './Exchange';
export { whatIsHeard, type Heard } from './hearing';
export { limits } from './limits';
export { recordSchema, type CallOutcome, type CallRecord } from './record';
export { allowedIn, type LegAct } from './transitions';
