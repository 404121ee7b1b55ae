import { hasQueue, OfficeIndex, type OfficeSetup } from '@/core/setup';
import { freeMembers, indexAgent, setAgentState } from './agents';
import { answerLeg, takeLeg } from './answering';
import { isOfPlan, isTalking, type Call, type Leg, type Timer } from './call';
import { callBackWhenFree, reportFree, serveCallBacks } from './callingBack';
import { clearCall, leaveCall } from './clearing';
import { refuse, type Command, type CommandResult, type Outcome } from './commands';
import { actOnParty, addParty, mergeCalls } from './conferencing';
import { giveUpAccepting, sendDigits } from './digits';
import { settleEntrance } from './entrance';
import type { ExchangeEvent } from './events';
import { configure } from './configuring';
import { failLeg } from './failing';
import { searchForOwner } from './findMe';
import { finishUnanswered } from './finishing';
import { inviteToCall, joinCall } from './inviting';
import { limits } from './limits';
import { startMessage } from './mailbox';
import { goAway, knock } from './guests';
import { actInMeeting, beginMeeting } from './meeting';
import { nextMenuTurn, settleEntry } from './menu';
import { makeCall } from './making';
import { endOverlap, moveCall } from './moving';
import { parkCall, unparkCall } from './parking';
import { pickUpCall } from './pickingUp';
import { noteServed, serveQueues, takeWaiting, tellPlace } from './queueing';
import { recordCall } from './recording';
import { returnCall } from './recall';
import { reconfigure } from './reconfiguring';
import { continueRinging, skipSilence, stopRingingPerson } from './ringing';
import { expireSessions, setCallWaiting, setSignedIn } from './registration';
import { takeBackCall } from './takingBack';
import type { Agent, ExchangeState } from './state';
import { Switchboard } from './Switchboard';
import {
  type ActiveCallChoice,
  holdLeg,
  mayTakeAnother,
  retrieveLeg,
  setAsideActiveCall,
  setMuted,
} from './talking';
import { connectCalls, deflectCall, transferCall } from './transferring';
import { isAllowed } from './transitions';
import { callFromVisit, endVisitTurn, settleVisit, speakInVisit, type VisitAct } from './visiting';

type LegCommand = Exclude<Extract<Command, { legId: string }>, { deviceId: string }>;

/**
 * The office phone system: a deterministic machine after ECMA-269's call model. Time is an argument (epoch
 * milliseconds) and never runs backwards; the same commands at the same times give the same events.
 */
export class Exchange {
  private readonly board: Switchboard;

  constructor(setup: OfficeSetup, state?: ExchangeState) {
    this.board = new Switchboard(new OfficeIndex(setup));
    if (state) this.restore(state);
  }

  get now(): number {
    return this.board.now;
  }

  get calls(): ReadonlyMap<string, Call> {
    return this.board.calls;
  }

  /** The office as it is configured now. */
  get setup(): OfficeSetup {
    return this.board.office.setup;
  }

  /** The same with its look-ups. */
  get office(): OfficeIndex {
    return this.board.office;
  }

  legOf(id: string): Leg | null {
    return this.board.legs.get(id) ?? null;
  }

  /** The legs of a device that are not cleared. */
  legsAt(deviceId: string): Iterable<Leg> {
    return this.board.deviceLegs.get(deviceId) ?? [];
  }

  get signedIn(): ReadonlySet<string> {
    return this.board.signedIn;
  }

  /** Who waits for a team, the next first, and which members could take a call at this moment. */
  queueOf(teamId: string): { calls: readonly Call[]; free: readonly string[] } {
    const team = this.office.teams.get(teamId);
    return {
      calls: this.board.queues.get(teamId) ?? [],
      free: hasQueue(team) ? freeMembers(this.board, team).map(({ personId }) => personId) : [],
    };
  }

  /** What members have said of themselves, and the time after their last call. */
  get agents(): Agent[] {
    return [...this.board.agents.values()].flatMap((ofTeam) => [...ofTeam.values()]);
  }

  /** When something will happen by itself next, or null. */
  nextTimerAt(): number | null {
    return this.board.nextTimerAt();
  }

  /**
   * Carries out one command at a time. `events` tells all that happened, what was due before included. A refused
   * command has changed nothing beyond what was due.
   */
  send(command: Command, at: number): { result: CommandResult; events: ExchangeEvent[] } {
    this.runUntil(at);
    const result = this.carryOut(command);
    this.settle();
    return { result, events: this.takeEvents() };
  }

  /** The office is another one from now on: checked already, and for its host alone to do. */
  reconfigure(setup: OfficeSetup, at: number): ExchangeEvent[] {
    this.runUntil(at);
    reconfigure(this.board, setup);
    for (const id of this.calls.keys()) this.board.changedIds.add(id);
    this.settle();
    return this.takeEvents();
  }

  /** What the office does in the mailbox that somebody goes through by phone; for its host alone to do. A leg that has gone hears nothing. */
  inVisit(legId: string, act: VisitAct, at: number): { why: string | null; events: ExchangeEvent[] } {
    this.runUntil(at);
    const leg = this.board.legs.get(legId);
    let why: string | null = null;
    if (leg) this.board.changedIds.add(leg.callId);
    if (leg && act.kind === 'settle') settleVisit(this.board, leg, act.isRight);
    if (leg && act.kind === 'speak') speakInVisit(this.board, leg, act, act.lastsMs);
    if (leg && act.kind === 'callBack') why = callFromVisit(this.board, leg, act.to);
    this.settle();
    return { why, events: this.takeEvents() };
  }

  /** Lets time go on, with all that is due until then. */
  advance(to: number): ExchangeEvent[] {
    this.runUntil(to);
    return this.takeEvents();
  }

  save(): ExchangeState {
    const { calls, signedIn } = this.board;
    return structuredCloneJson({
      ...{ ...this.besideCalls(), calls: [...calls.values()], signedIn: [...signedIn] },
    });
  }

  /** All but the calls and who is signed in, where each is kept by itself. Its parts are the exchange's own: to be read at once, not held. */
  besideCalls(): Omit<ExchangeState, 'calls' | 'signedIn'> {
    const { now, nextId, withoutWaiting, recentCallers } = this.board;
    const { agents, queueMemory, talksEnded, wrongPins } = this.board;
    return {
      now,
      nextId,
      recentCallers,
      wrongPins,
      agents: [...agents.values()].flatMap((ofTeam) => [...ofTeam.values()]),
      queues: [...queueMemory.values()],
      talksEnded: Array.from(talksEnded, ([personId, at]) => ({ personId, at })),
      withoutWaiting: [...withoutWaiting],
    };
  }

  /** Calls that have changed, come or ended since this was last asked: what is kept of all others is as they are. */
  takeChangedIds(): ReadonlySet<string> {
    const { changedIds } = this.board;
    this.board.changedIds = new Set();
    return changedIds;
  }

  private restore(state: ExchangeState): void {
    const { now, nextId, signedIn, withoutWaiting, recentCallers, wrongPins, calls, ...queueing } =
      structuredCloneJson(state);
    for (const agent of queueing.agents) indexAgent(this.board, agent);
    for (const memory of queueing.queues) this.board.queueMemory.set(memory.teamId, memory);
    for (const { personId, at } of queueing.talksEnded)
      if (this.board.office.queueTeams.has(personId)) this.board.talksEnded.set(personId, at);
    this.board.recentCallers = recentCallers;
    this.board.wrongPins = wrongPins;
    this.board.now = now;
    this.board.nextId = nextId;
    for (const deviceId of signedIn) this.board.signedIn.add(deviceId);
    for (const deviceId of withoutWaiting) this.board.withoutWaiting.add(deviceId);
    for (const call of calls) {
      for (const leg of call.legs) {
        if (leg.endpoint.kind === 'device')
          leg.personId ??= this.board.office.ownerOf(leg.endpoint.deviceId)?.id ?? null;
      }
      this.board.indexCall(call);
    }
    this.board.touchAll();
    for (const { queued } of calls)
      for (const { at } of queued?.passedBy ?? [])
        this.board.wakeAt(at + limits.passedOverMs, { teamId: queued?.teamId ?? '' });
    this.settle();
  }

  private takeEvents(): ExchangeEvent[] {
    const { events } = this.board;
    this.board.events = [];
    return events;
  }

  private runUntil(to: number): void {
    const { board } = this;
    for (let at = board.nextTimerAt(); at !== null && at <= to; at = board.nextTimerAt()) {
      board.now = Math.max(board.now, at);
      const due = board.takeTimer(at);
      if (due) this.fire(due.call, due.timer.what);
      this.settle();
    }
    board.now = Math.max(board.now, to);
  }

  /** What follows by itself from what was just done: unanswered calls go on, call-backs find their time. */
  private settle(): void {
    const { board } = this;
    do {
      for (let call = board.unanswered.shift(); call; call = board.unanswered.shift())
        finishUnanswered(board, call);
      for (const call of board.leftByServer) noteServed(board, call);
      board.leftByServer.clear();
      if (board.queues.size > 0) serveQueues(board);
      if (board.waiting.size > 0) serveCallBacks(board);
      // Handed out in the moment in which its time is over, a call is unanswered at once.
    } while (board.unanswered.length > 0);
  }

  private carryOut(command: Command): CommandResult {
    const { board } = this;
    switch (command.type) {
      case 'signIn':
      case 'signOut':
        return setSignedIn(board, command.deviceId, command.type === 'signIn');
      case 'expire':
        return expireSessions(board, command.deviceId);
      case 'configure':
        return configure(board, command);
      case 'setCallWaiting':
        return setCallWaiting(board, command.deviceId, command.on);
      case 'make':
        return named(makeCall(board, command));
      case 'join':
        return named(joinCall(board, command));
      case 'unpark':
        return named(unparkCall(board, command));
      case 'takeBack':
        return named(takeBackCall(board, command));
      case 'pickUp':
        return named(pickUpCall(board, command));
      case 'takeWaiting':
        return named(takeWaiting(board, command));
      case 'setAgentState':
        return setAgentState(board, command);
      case 'knock':
        return knock(board, command);
      case 'goAway':
        return goAway(board, command.guestId);
      case 'reportFree':
        reportFree(board, command.number);
        return { ok: true };
      default:
        return this.actOnLeg(command);
    }
  }

  private actOnLeg(command: LegCommand): CommandResult {
    const { board } = this;
    const leg = board.legs.get(command.legId);
    if (!leg) return refuse({ code: 'unknownLeg' });
    if (!isAllowed(command.type, leg.state))
      return refuse({ code: 'notAllowed', act: command.type, state: leg.state });
    if (leg.leaves && command.type !== 'clear') return refuse({ code: 'unknownLeg' });
    const outcome = this.act(command, leg);
    if (!outcome.ok) return outcome;
    const { callId, id } = outcome.leg ?? leg;
    const note = outcome.slot ?? outcome.code;
    return { ok: true, callId: outcome.callId ?? callId, legId: id, ...(note !== undefined && { note }) };
  }

  private act(
    command: LegCommand,
    leg: Leg,
  ): Outcome<{ leg?: Leg; callId?: string; slot?: string; code?: string }> {
    const { board } = this;
    switch (command.type) {
      case 'alert':
      case 'fail':
        if (leg.endpoint.kind !== 'outside') return refuse({ code: 'onlyOutside' });
        if (command.type === 'fail') failLeg(board, leg, command.cause);
        else this.alertOutside(leg);
        return { ok: true };
      case 'answer':
        return this.answer(leg, command.activeCall);
      case 'retrieve':
        return this.takeUp(leg, command.activeCall, retrieveLeg);
      case 'refuse':
        this.refuseLeg(leg);
        return { ok: true };
      case 'deflect':
        return deflectCall(board, leg, command.target);
      case 'hold':
        if (board.callOf(leg).emergency) return refuse({ code: 'emergency' });
        holdLeg(board, leg);
        return { ok: true };
      case 'mute':
      case 'unmute':
        setMuted(board, leg, command.type === 'mute');
        return { ok: true };
      case 'sendDigits':
        return sendDigits(board, leg, command.digits);
      case 'clear':
        this.clear(leg);
        return { ok: true };
      case 'transfer':
        return transferCall(board, leg, command.target);
      case 'connectCalls':
        return connectCalls(board, leg, command.otherLegId);
      case 'add':
        return addParty(board, leg, command.to);
      case 'mergeCalls':
        return mergeCalls(board, leg, command.otherLegId);
      case 'silence':
      case 'unsilence':
      case 'putAside':
      case 'bringBack':
      case 'talkAside':
      case 'drop':
        return actOnParty(board, leg, command.type, command.otherLegId);
      case 'invite':
        return inviteToCall(board, leg, command);
      case 'withdrawInvitation':
        if (!board.callOf(leg).invitation) return refuse({ code: 'unknownCode' });
        board.endInvitation(board.callOf(leg));
        return { ok: true };
      case 'park':
        return parkCall(board, leg);
      case 'move':
        return this.move(leg, command);
      case 'speaks':
        endOverlap(board, leg);
        return { ok: true };
      case 'record':
        return recordCall(board, leg, command.act);
      case 'meet':
        return beginMeeting(board, leg);
      case 'inMeeting':
        return actInMeeting(board, leg, command.act);
      case 'callBackWhenFree':
        return callBackWhenFree(board, leg);
    }
  }

  private answer(leg: Leg, activeCall?: ActiveCallChoice): Outcome {
    if (leg.accept === 'waiting') return refuse({ code: 'notAllowed', act: 'answer', state: leg.state });
    return this.takeUp(leg, activeCall, answerLeg);
  }

  /** The device talks on this leg from now on, and its present call is set aside first. */
  private takeUp(
    leg: Leg,
    activeCall: ActiveCallChoice | undefined,
    take: (board: Switchboard, leg: Leg) => void,
  ): Outcome {
    const { board } = this;
    if (leg.endpoint.kind === 'device') {
      const may = mayTakeAnother(board, leg.endpoint.deviceId, activeCall);
      if (!may.ok) return may;
      setAsideActiveCall(board, leg.endpoint.deviceId, activeCall);
    }
    take(board, leg);
    return { ok: true };
  }

  private move(leg: Leg, command: Extract<Command, { type: 'move' }>): Outcome<{ leg?: Leg }> {
    const moved = moveCall(this.board, leg, command);
    if (moved.ok && command.atOnce) takeLeg(this.board, moved.leg);
    return moved;
  }

  private alertOutside(leg: Leg): void {
    const { board } = this;
    const call = board.callOf(leg);
    const { transferReturnSeconds } = board.office.setup.policies;
    const patienceMs =
      leg.broughtFor === 'transfer'
        ? transferReturnSeconds * 1000
        : leg.broughtFor === 'conference'
          ? limits.additionMs
          : limits.noAnswerMs;
    board.stopTimers(call, ({ what }) => what.kind === 'setup' && what.legId === leg.id);
    board.setState(leg, 'alerting');
    board.emitLeg('delivered', leg);
    board.startTimer(call, board.now + patienceMs, { kind: 'noAnswer', legId: leg.id });
  }

  /**
   * The whole person refuses: none of their devices rings for this call any more. Where they are searched for, only that
   * phone refuses, and the next is tried (RFC 5359 §2.12).
   */
  private refuseLeg(leg: Leg): void {
    const { board } = this;
    const call = board.callOf(leg);
    if (leg.endpoint.kind !== 'device') failLeg(board, leg, 'callRejected');
    else if (leg.role === 'caller') clearCall(board, call, 'callRejected', leg);
    else if (isOfPlan(call, leg) && leg.broughtFor === 'findMe') {
      board.clearLeg(leg, 'callRejected');
      skipSilence(board, call);
    } else if (isOfPlan(call, leg) && leg.personId !== null)
      stopRingingPerson(board, call, leg.personId, 'callRejected');
    else board.clearLeg(leg, 'callRejected');
  }

  private clear(leg: Leg): void {
    const { board } = this;
    const isRung = leg.role === 'called' && (leg.state === 'alerting' || leg.state === 'initiated');
    if (leg.leaves) board.clearLeg(leg, 'moved');
    else if (isRung) this.refuseLeg(leg);
    else if (isTalking(leg)) leaveCall(board, leg, 'normalClearing');
    else clearCall(board, board.callOf(leg), 'normalClearing', leg);
  }

  private fire(call: Call, what: Timer['what']): void {
    const { board } = this;
    if (what.kind === 'route') return continueRinging(board, call);
    if (what.kind === 'tone') return clearCall(board, call, call.failure ?? 'normalClearing');
    if (what.kind === 'callerNamed') {
      if (call.ringing) call.ringing.asksName = false;
      return;
    }
    if (what.kind === 'park') return returnCall(board, call, 'park');
    const leg = board.legs.get(what.legId);
    if (!leg) return;
    switch (what.kind) {
      case 'setup':
      case 'noAnswer':
        return failLeg(board, leg, what.kind === 'setup' ? 'noUserResponding' : 'noAnswer');
      case 'greetingEnd':
        return startMessage(board, leg);
      case 'nameEnd':
        return searchForOwner(board, leg);
      case 'menuEnd':
        return nextMenuTurn(board, leg);
      case 'pinEnd':
        return settleEntrance(board, leg);
      case 'visitEnd':
        return endVisitTurn(board, leg);
      case 'menuDigits':
        return settleEntry(board, leg);
      case 'messageLimit':
      case 'noticeEnd':
      case 'callBackLimit':
        return clearCall(board, call, 'normalClearing');
      case 'ownPhone':
        return clearCall(board, call, 'noAnswer');
      case 'accept':
        return giveUpAccepting(board, leg);
      case 'move':
        return board.clearLeg(leg, 'noAnswer');
      case 'overlap':
        return board.clearLeg(leg, 'moved');
      case 'queueTell':
        return tellPlace(board, leg);
      case 'digit':
        if (leg.state === 'connected') sendDigits(board, leg, what.digit);
        return;
    }
  }
}

/** The result of what brought a device into a call, by ids. */
function named(outcome: Outcome<{ leg: Leg }>): CommandResult {
  return outcome.ok ? { ok: true, callId: outcome.leg.callId, legId: outcome.leg.id } : outcome;
}

function structuredCloneJson<T>(value: T): T {
  return JSON.parse(JSON.stringify(value)) as T;
}
