import { pinSeconds, pinTurns } from '@/core/plans/routing';
import { isLive, type Call, type Leg, type Visit } from './call';
import { clearCall } from './clearing';
import { refuse, type Command, type Outcome } from './commands';
import { connectTo } from './connecting';
import { barredReason, destinationOf, readDialled } from './destination';
import { limits } from './limits';
import { answerByMachine } from './machineLeg';
import { newCall } from './newCall';
import type { Switchboard } from './Switchboard';
import { mayTakeAnother, setAsideActiveCall } from './talking';

/** Pressed while somebody's greeting is heard: whose mailbox it is wants to listen to it. */
const visitKey = '*';
const longestTyped = 20;

/** What the office does with it: says whether the PIN was right, says something, or connects the caller to who left a message. */
export type VisitAct =
  | { kind: 'settle'; isRight: boolean }
  /** `lastsMs`: until nothing more is heard. */
  | ({ kind: 'speak'; lastsMs: number } & Pick<Visit, 'says' | 'list' | 'at'>)
  | { kind: 'callBack'; to: string };

const beginning = (personId: string): Visit => ({
  ...{ personId, phase: 'pin', digits: '', wrong: 0, turn: 0, list: [], at: -1 },
  says: { text: '', voicemailId: null },
});

/** A phone of the office dials its mailbox, or by an extension behind the code somebody's: whose it is shows that by their PIN. */
export function dialMailbox(
  board: Switchboard,
  {
    deviceId,
    code,
    extension,
    activeCall,
  }: {
    deviceId: string;
    code: string;
    extension: string;
    activeCall: Extract<Command, { type: 'make' }>['activeCall'];
  },
): Outcome<{ leg: Leg }> {
  const { office } = board;
  const person = extension === '' ? office.ownerOf(deviceId) : office.peopleByExtension.get(extension);
  if (!person) return refuse({ code: 'unknownPerson' });
  const device = office.devices.get(deviceId);
  if (board.callsAt(deviceId) >= (device?.callLimit ?? 1))
    return refuse({ code: 'tooManyCalls', limit: device?.callLimit ?? 1 });
  const may = mayTakeAnother(board, deviceId, activeCall);
  if (!may.ok) return may;
  setAsideActiveCall(board, deviceId, activeCall);
  const call = newCall(board, { kind: 'internal', dialled: code, lineId: null, withheld: false });
  const caller = board.addLeg(call, {
    endpoint: { kind: 'device', deviceId },
    role: 'caller',
    state: 'connected',
    broughtFor: 'call',
    broughtById: office.ownerOf(deviceId)?.id ?? null,
  });
  board.emitLeg('originated', caller);
  const mailbox = { kind: 'mailbox', personId: person.id } as const;
  const begins = { mailboxPhase: 'visit', visit: beginning(person.id) } as const;
  askForPin(board, answerByMachine(board, call, mailbox, { ...begins }));
  return { ok: true, leg: caller };
}

/** Whether those keys are for whose mailbox it is. */
export function opensMailbox(board: Switchboard, presser: Leg, digits: string): boolean {
  const leg = mailboxOf(board, presser);
  if (!leg) return false;
  return leg.visit !== undefined || (leg.mailboxPhase === 'greeting' && digits.startsWith(visitKey));
}

const mailboxOf = (board: Switchboard, presser: Leg): Leg | undefined =>
  presser.role === 'caller'
    ? board
        .callOf(presser)
        .legs.find(({ endpoint, state }) => endpoint.kind === 'mailbox' && state === 'connected')
    : undefined;

/** Keys in a mailbox: the one that opens it to its owner, and then what they press. Whether they were heard as that. */
export function pressInMailbox(board: Switchboard, presser: Leg, digits: string): boolean {
  const leg = mailboxOf(board, presser);
  if (leg?.endpoint.kind !== 'mailbox' || !opensMailbox(board, presser, digits)) return false;
  let rest = digits;
  if (!leg.visit) {
    const call = board.callOf(leg);
    rest = digits.slice(visitKey.length);
    board.stopTimers(call, ({ what }) => 'legId' in what && what.legId === leg.id);
    leg.mailboxPhase = 'visit';
    leg.visit = beginning(leg.endpoint.personId);
    askForPin(board, leg);
  }
  for (const key of rest) if (isLive(leg)) press(board, leg, key);
  return true;
}

function press(board: Switchboard, leg: Leg, key: string): void {
  const { visit } = leg;
  // While the PIN is looked at, nobody hears what is pressed.
  if (!visit || visit.phase === 'checking') return;
  if (visit.phase === 'open') {
    board.emit({ type: 'visitKeyed', at: board.now, callId: leg.callId, legId: leg.id, key });
    return;
  }
  if (key === '#') return giveIn(board, leg);
  visit.digits += key;
  if (visit.digits.length >= longestTyped) giveIn(board, leg);
  else waitFor(board, leg, limits.pinDigitMs);
}

/** What was typed is the PIN, or an extension, a star, and its PIN; the office looks at it, and says so by `settleVisit`. */
function giveIn(board: Switchboard, leg: Leg): void {
  const { visit } = leg;
  if (!visit) return;
  const [pin = '', extension] = visit.digits.split('*').reverse();
  const other = extension === undefined ? null : board.office.peopleByExtension.get(extension);
  if (other) visit.personId = other.id;
  // An extension that nobody has opens nothing.
  visit.digits = extension !== undefined && !other ? '' : pin;
  visit.phase = 'checking';
  board.emitLeg('visitPinGiven', leg);
  // Where nobody looks at it, the caller is let go.
  waitFor(board, leg, pinSeconds * 1000);
}

/** The PIN was right, or wrong: then it is asked for again, and after some of those the caller is let go. */
export function settleVisit(board: Switchboard, leg: Leg, isRight: boolean): void {
  const { visit } = leg;
  if (visit?.phase !== 'checking' || !isLive(leg)) return;
  visit.digits = '';
  if (isRight) {
    visit.phase = 'open';
    const call = board.callOf(leg);
    call.finish = null;
    board.note(call, 'visited', visit.personId, board.office.people.get(visit.personId)?.extension ?? null);
    return;
  }
  if (++visit.wrong >= limits.wrongPins) clearCall(board, board.callOf(leg), 'callRejected');
  else askForPin(board, leg);
}

/** The office says something to whoever goes through their mailbox. `lastsMs`: until nothing more is heard. */
export function speakInVisit(
  board: Switchboard,
  leg: Leg,
  said: Pick<Visit, 'says' | 'list' | 'at'>,
  lastsMs: number,
): void {
  if (leg.visit?.phase !== 'open' || !isLive(leg)) return;
  Object.assign(leg.visit, said);
  board.emitLeg('visitSpoke', leg);
  waitFor(board, leg, lastsMs + limits.visitIdleMs);
}

/** From the mailbox to whoever has left a message: the caller is connected there. Gives why not; null: they are. */
export function callFromVisit(board: Switchboard, leg: Leg, to: string): string | null {
  const { visit } = leg;
  if (visit?.phase !== 'open' || !isLive(leg)) return 'unknown';
  const read = readDialled(board.office, to);
  const destination = read.ok ? destinationOf(board.office, read.dialled) : null;
  if (!destination || destination.kind === 'service' || destination.kind === 'unknown') return 'unknown';
  const by = { personId: visit.personId, at: board.now };
  const why = barredReason(board.office, destination, by);
  if (why !== null) return why;
  const call = board.callOf(leg);
  const caller = call.legs.find(({ role }) => role === 'caller');
  if (!caller) return 'unknown';
  board.clearLeg(leg, 'normalClearing');
  // From a phone of the office it is a call like one that was dialled: who waits is answered by it.
  if (caller.endpoint.kind === 'device') {
    const isOutward = destination.kind === 'network';
    const owner = board.office.people.get(visit.personId);
    Object.assign(call, {
      ...{ dialled: destination.number, kind: isOutward ? 'outbound' : 'internal' },
      lineId: isOutward ? (owner?.presentedLineId ?? null) : null,
    });
  }
  board.emit({ type: 'diverted', at: board.now, callId: call.id, to: destination.number });
  connectTo(board, call, destination, caller.endpoint, { broughtFor: 'call', broughtById: visit.personId });
  return null;
}

/** Nothing more has come: what was typed is the PIN, or it is asked for again; who listens no more is let go. */
export function endVisitTurn(board: Switchboard, leg: Leg): void {
  const { visit } = leg;
  if (!visit || !isLive(leg)) return;
  if (visit.phase === 'pin' && visit.digits !== '') return giveIn(board, leg);
  if (visit.phase === 'pin' && visit.turn < pinTurns) return askForPin(board, leg);
  clearCall(board, board.callOf(leg), visit.phase === 'open' ? 'normalClearing' : 'callRejected');
}

function askForPin(board: Switchboard, leg: Leg): void {
  const { visit } = leg;
  if (!visit) return;
  visit.phase = 'pin';
  visit.digits = '';
  visit.turn++;
  const asks = 'Type your PIN, and press hash. For another mailbox type its extension, star, and its PIN.';
  visit.says = { text: visit.wrong === 0 ? asks : `That was not the PIN. ${asks}`, voicemailId: null };
  board.emitLeg('visitAsked', leg);
  waitFor(board, leg, pinSeconds * 1000);
}

function waitFor(board: Switchboard, leg: Leg, ms: number): void {
  const call: Call = board.callOf(leg);
  board.stopTimers(call, ({ what }) => what.kind === 'visitEnd');
  board.startTimer(call, board.now + ms, { kind: 'visitEnd', legId: leg.id });
}
