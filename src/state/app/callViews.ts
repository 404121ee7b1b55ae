import { createSelector } from '@reduxjs/toolkit';

import {
  callerOf,
  isMachine,
  isMailbox,
  isOfPlan,
  isOpenRoom,
  isTalking,
  whatIsHeard,
  type Call,
  type Heard,
  type Leg,
  type Recording,
} from '@/core/calls/exchange';
import type { Line, OfficeIndex } from '@/core/setup';
import type { PeopleIndex } from '@/core/people/contacts';

import { identifyEndpoint, identifyDialled, type Identity } from './identify';
import { selectOffice, selectPeople } from './selectors';
import type { RootState } from './store';
import { selectMyDeviceId } from './session';

/** Somebody in a call, as the worker knows them. */
export interface PartyView extends Identity {
  legId: string;
  state: Leg['state'];
  heard: Heard;
  muted: boolean;
  /** Somebody has taken their voice away. */
  isSilenced: boolean;
  room: Leg['room'];
}

/**
 * `incoming` rings here; `calling` waits for the network; `ringing` rings over there; `mailbox` and
 * `menu` speak to one;
 * `waiting` calls by itself when somebody busy is free.
 */
export type CallPhase =
  'incoming' | 'waiting' | 'calling' | 'ringing' | 'talking' | 'held' | 'mailbox' | 'menu' | 'failed';

/** One call as seen from this device. */
export interface CallView {
  id: string;
  call: Call;
  phase: CallPhase;
  direction: 'in' | 'out';
  me: PartyView;
  /** All at the other ends who are still there or on the way. */
  others: PartyView[];
  line: Line | null;
  /** Since when the call is talked on, or else since when it is there. */
  since: number;
  /** Since when this device holds it. */
  heldSince: number | null;
  /** The worker's own recording of it. */
  recording: Recording | null;
  /** Whether anybody at all records it at the moment. */
  isRecorded: boolean;
}

export interface Names {
  office: OfficeIndex;
  people: PeopleIndex;
}

export const selectNames = createSelector(selectOffice, selectPeople, (office, people): Names => ({
  office,
  people,
}));

export const selectAllCalls = createSelector(
  (state: RootState) => state.calls.byId,
  (byId) => Object.values(byId).sort((a, b) => a.startedAt - b.startedAt || a.id.localeCompare(b.id)),
);

/** Every call this device has a leg in, oldest first. */
export const selectMyCalls = createSelector(
  selectAllCalls,
  selectMyDeviceId,
  selectOffice,
  selectPeople,
  (calls, deviceId, office, people): CallView[] =>
    calls.flatMap((call) => {
      const leg = legAt(call, deviceId);
      return leg ? [viewCall(call, leg, { office, people })] : [];
    }),
);

/** Calls that this device has been left behind in for as long as another one of the worker's does not speak yet, by its legs. */
export const selectLeft = createSelector(
  selectAllCalls,
  selectMyDeviceId,
  (calls, deviceId): { legId: string; call: Call }[] =>
    calls.flatMap((call) =>
      call.legs.flatMap(({ id, endpoint, state, leaves }) =>
        leaves && state === 'connected' && isAt(endpoint, deviceId) ? [{ legId: id, call }] : [],
      ),
    ),
);

const isAt = (endpoint: Leg['endpoint'], deviceId: string | undefined) =>
  endpoint.kind === 'device' && endpoint.deviceId === deviceId;

/** This device's own leg in the call; one that has moved away is none. */
export function legAt(call: Call, deviceId: string | undefined): Leg | undefined {
  return call.legs.find(
    ({ endpoint, state, leaves }) => isAt(endpoint, deviceId) && state !== 'cleared' && !leaves,
  );
}

export const selectIncoming = createSelector(selectMyCalls, (calls) =>
  calls.filter(({ phase }) => phase === 'incoming'),
);
/** Calls that only wait until somebody busy is free. */
export const selectCallBacks = createSelector(selectMyCalls, (calls) =>
  calls.filter(({ phase }) => phase === 'waiting'),
);
export const selectTaken = createSelector(selectMyCalls, (calls) =>
  calls.filter(({ phase }) => phase !== 'incoming' && phase !== 'waiting'),
);

export function viewCall(call: Call, mine: Leg, names: Names): CallView {
  const heard = whatIsHeard(call);
  const caller = callerOf(call);
  const party = (leg: Leg): PartyView => ({
    ...identifyEndpoint(leg, call, names),
    legId: leg.id,
    state: leg.state,
    muted: leg.muted,
    heard: heard[leg.id] ?? { kind: 'nothing' },
    isSilenced: leg.silencedBy !== null,
    room: leg.room,
  });
  const others = call.legs.filter((leg) => leg.id !== mine.id && isWorthShowing(leg, mine, call)).map(party);
  const { personId } = mine;
  return {
    id: call.id,
    call,
    phase: phaseOf(call, mine),
    direction: caller === mine || (personId !== null && caller.personId === personId) ? 'out' : 'in',
    me: party(mine),
    others: others.length > 0 ? others : [unreached(call, names)],
    line: names.office.ever.lines.get(call.lineId ?? '') ?? null,
    since: call.answeredAt ?? call.startedAt,
    heldSince: mine.state === 'held' ? mine.stateSince : null,
    recording: call.recordings.find((recording) => recording.personId === personId) ?? null,
    isRecorded: call.recordings.some(({ state }) => state === 'on'),
  };
}

/** While a plan rings several devices of one person, the caller sees the person once; a phone moved to, not at all. */
function isWorthShowing(leg: Leg, mine: Leg, call: Call): boolean {
  if (leg.state === 'cleared' || leg.leaves) return false;
  if (leg.state === 'alerting' && leg.replaces !== null) return false;
  // Whoever is alone in a conference sees it, and else who is there.
  if (isOpenRoom(leg)) return !call.legs.some((other) => other !== mine && other !== leg && isTalking(other));
  // Who waits sees what they wait for, and not at whom it rings just now; whoever is rung sees who waits.
  if (call.queued && leg.role === 'called') return mine.role === 'caller' && leg.id === call.queued.legId;
  if (leg.role === 'caller' || isTalking(leg)) return true;
  // Whoever else the same plan rings is not in it.
  const isRungToo = leg.personId === mine.personId || (isOfPlan(call, mine) && isOfPlan(call, leg));
  if (leg.personId !== null && mine.state === 'alerting' && isRungToo) return false;
  return leg === call.legs.find((other) => other.role === 'called' && other.state === leg.state);
}

function phaseOf(call: Call, mine: Leg): CallPhase {
  if (mine.state === 'queued') return 'waiting';
  if (mine.state === 'alerting') return 'incoming';
  if (call.failure) return 'failed';
  if (mine.state === 'held') return 'held';
  const others = call.legs.filter((leg) => leg !== mine && leg.state !== 'cleared');
  if (others.some(isMailbox)) return 'mailbox';
  if (others.some((leg) => isMachine(leg) && !isOpenRoom(leg))) return 'menu';
  if (others.every((leg) => isOpenRoom(leg) || !isTalking(leg)) && others.some(isOpenRoom)) return 'menu';
  if (others.some(isTalking) && call.answeredAt !== null) return 'talking';
  return others.some((leg) => leg.state === 'alerting') ? 'ringing' : 'calling';
}

/** Who was called, before or after anybody is there. */
function unreached(call: Call, names: Names): PartyView {
  return {
    ...identifyDialled(call.dialled, names),
    legId: `${call.id}-called`,
    state: call.failure ? 'failed' : 'initiated',
    heard: { kind: 'nothing' },
    muted: false,
    isSilenced: false,
    room: 'floor',
  };
}

/** "Peg Anstey", "Peg Anstey and Tobias Quill", "Peg Anstey and 2 others". */
export function nameOfCall({ others }: { others: readonly Pick<PartyView, 'name'>[] }): string {
  const [first, second] = others;
  if (!first) return 'somebody';
  if (!second) return first.name;
  return others.length === 2
    ? `${first.name} and ${second.name}`
    : `${first.name} and ${others.length - 1} others`;
}
