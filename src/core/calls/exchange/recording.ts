import type { OfficeIndex, RecordingPolicy } from '@/core/setup';
import type { Call, Leg, Recording } from './call';
import { refuse, type CommandOf, type Outcome } from './commands';
import type { Switchboard } from './Switchboard';

const strongestFirst = ['never', 'always', 'onDemand'] as const;

/**
 * Whether what this person hears of a call is recorded: as they, the call's line and the teams it came to say, the strongest of these; else
 * as the office does.
 */
export function recordingPolicyOf(
  { people, lines, teams, setup }: OfficeIndex,
  { lineId, course }: Pick<Call, 'lineId' | 'course'>,
  personId: string,
): RecordingPolicy {
  const said = [
    people.get(personId),
    lines.get(lineId ?? ''),
    ...course.map(({ ownerId }) => teams.get(ownerId)),
  ];
  const found = strongestFirst.find((policy) => said.some((each) => each?.recording === policy));
  return found ?? setup.policies.recording;
}

/**
 * Starts, pauses, resumes or stops the recording of what this leg hears. All sides are told: the event goes to
 * everybody, and an emergency call is never recorded. Several pieces of one person in one call are one recording.
 */
export function recordCall(board: Switchboard, leg: Leg, act: CommandOf<'record'>['act']): Outcome {
  const call = board.callOf(leg);
  if (call.emergency) return refuse({ code: 'emergency' });
  if (leg.personId === null) return refuse({ code: 'onlyDevice' });
  const policy = recordingPolicyOf(board.office, call, leg.personId);
  // What was begun before the office said never can still be ended.
  if (policy === 'never' && (act === 'start' || act === 'resume'))
    return refuse({ code: 'recordingPolicy', policy });
  const current = recordingOf(call, leg.personId);
  if (policy === 'always' && act !== 'start') return refuse({ code: 'recordingPolicy', policy });
  if (act === 'start' || act === 'resume') {
    if (act === 'resume' && current?.state !== 'paused') return refuse({ code: 'notRecording' });
    if (current?.state !== 'on') beginPiece(board, call, leg, leg.personId, false);
    return { ok: true };
  }
  if (!current || current.state === 'ended') return refuse({ code: 'notRecording' });
  if (act === 'pause' && current.state === 'paused') return { ok: true };
  endPiece(board, call, current, act === 'pause' ? 'paused' : 'ended');
  return { ok: true };
}

/** What is always recorded begins with the answer, for each of the office on the call of whom that holds. */
export function startByPolicy(board: Switchboard, call: Call): void {
  if (call.emergency) return;
  for (const leg of call.legs) {
    const isThere =
      leg.state === 'connected' && !leg.leaves && leg.endpoint.kind === 'device' && leg.personId !== null;
    if (!isThere || leg.personId === null || recordingOf(call, leg.personId)) continue;
    if (recordingPolicyOf(board.office, call, leg.personId) === 'always')
      beginPiece(board, call, leg, leg.personId, true);
  }
}

/** Ends all recordings of a call, or only those of one leg. */
export function endRecordings(board: Switchboard, call: Call, leg?: Leg): void {
  for (const recording of call.recordings) {
    if (recording.state !== 'ended' && (!leg || recording.legId === leg.id))
      endPiece(board, call, recording, 'ended');
  }
}

/** What this person hears of the call from now on is heard at another leg: moved, or both calls joined. */
export function carryRecordings(from: Call, fromLeg: Leg, into: Call, toLeg: Leg): void {
  for (const recording of from.recordings.filter(({ legId }) => legId === fromLeg.id)) {
    const own = from === into ? undefined : into.recordings.find(({ legId }) => legId === toLeg.id);
    if (own) {
      own.pieces = joinPieces(own.pieces, recording.pieces);
      own.startedAt = Math.min(own.startedAt, recording.startedAt);
      if (recording.state === 'on' || own.state === 'ended') own.state = recording.state;
    } else {
      recording.legId = toLeg.id;
      if (from !== into) into.recordings.push(recording);
    }
    if (from !== into) from.recordings = from.recordings.filter((other) => other !== recording);
  }
}

function recordingOf(call: Call, personId: string): Recording | undefined {
  return call.recordings.find((recording) => recording.personId === personId);
}

function beginPiece(board: Switchboard, call: Call, leg: Leg, personId: string, byPolicy: boolean): void {
  let recording = recordingOf(call, personId);
  if (!recording) {
    recording = {
      id: `r${board.nextId++}`,
      personId,
      legId: leg.id,
      byPolicy,
      state: 'on',
      startedAt: board.now,
      pieces: [],
    };
    call.recordings.push(recording);
    board.note(call, 'recorded', personId);
  }
  recording.state = 'on';
  recording.legId = leg.id;
  recording.pieces.push({ from: board.now, to: null });
  tell(board, call, recording);
}

function endPiece(board: Switchboard, call: Call, recording: Recording, state: 'paused' | 'ended'): void {
  recording.state = state;
  for (const piece of recording.pieces) piece.to ??= board.now;
  tell(board, call, recording);
}

function tell(board: Switchboard, call: Call, recording: Recording): void {
  board.emit({
    type: 'recordingChanged',
    at: board.now,
    callId: call.id,
    recording: { ...recording, pieces: recording.pieces.map((piece) => ({ ...piece })) },
  });
}

/** Two lists of stretches as one in which nothing stands twice. */
function joinPieces(a: Recording['pieces'], b: Recording['pieces']): Recording['pieces'] {
  const all = [...a, ...b].sort((one, other) => one.from - other.from);
  const joined: Recording['pieces'] = [];
  for (const piece of all) {
    const last = joined.at(-1);
    if (last && (last.to === null || piece.from <= last.to)) {
      last.to = last.to === null || piece.to === null ? null : Math.max(last.to, piece.to);
    } else joined.push({ ...piece });
  }
  return joined;
}
