import { createSelector } from '@reduxjs/toolkit';

import { callerOf, isTalking, type Call, type Leg } from '@/core/exchange';

import { legAt, nameOfCall, selectAllCalls, viewCall, type Names } from './callViews';
import { identifyEndpoint, type Identity } from './identify';
import { selectOffice, selectPeople } from './selectors';
import type { RootState } from './store';

/** Somebody who waits in a park slot. */
export interface ParkedView extends Identity {
  callId: string;
  slot: string;
  since: number;
  byName: string;
  byMe: boolean;
  /** It rings back at this instant. */
  ringsBackAt: number;
  isRingingBack: boolean;
}

const selectMe = (state: RootState) => state.office.me;
const selectNames = createSelector(selectOffice, selectPeople, (office, people): Names => ({
  office,
  people,
}));

/** All who are parked, the longest first. */
export const selectParked = createSelector(
  selectAllCalls,
  selectMe,
  selectNames,
  (calls, me, names): ParkedView[] =>
    calls
      .flatMap((call) => (call.parked ? [viewParked(call, call.parked, me?.personId, names)] : []))
      .sort((a, b) => a.since - b.since),
);

function viewParked(
  call: Call,
  { slot, at, byId }: NonNullable<Call['parked']>,
  myId: string | undefined,
  names: Names,
): ParkedView {
  const waiting = call.legs.find(isTalking) ?? callerOf(call);
  return {
    ...identifyEndpoint(waiting, call, names),
    callId: call.id,
    slot,
    since: at,
    byName: names.office.people.get(byId)?.name ?? 'somebody',
    byMe: byId === myId,
    ringsBackAt: at + names.office.setup.policies.parkSeconds * 1000,
    isRingingBack: call.returned?.why === 'park',
  };
}

/** A call of the worker's at another phone of theirs: it can be brought here, or that phone still rings for it. */
export interface AtOtherPhone {
  callId: string;
  legId: string;
  deviceName: string;
  name: string;
  since: number;
  /** It rings for the worker to take it up first; then the other side is called. */
  isRinging: boolean;
}

export const selectAtMyOtherPhones = createSelector(
  selectAllCalls,
  selectMe,
  selectNames,
  (calls, me, names): AtOtherPhone[] =>
    calls.flatMap((call) => {
      if (!me || legAt(call, me.deviceId) || call.failure) return [];
      const leg = call.legs.find((other) => other.personId === me.personId && isOwnTalk(other, call));
      if (!leg || leg.endpoint.kind !== 'device') return [];
      const view = viewCall(call, leg, names);
      return [
        {
          callId: call.id,
          legId: leg.id,
          deviceName: names.office.devices.get(leg.endpoint.deviceId)?.name ?? 'other phone',
          name: nameOfCall(view),
          since: view.since,
          isRinging: leg.state === 'alerting',
        },
      ];
    }),
);

function isOwnTalk(leg: Leg, call: Call): boolean {
  if (isTalking(leg)) return call.answeredAt !== null;
  return leg.role === 'caller' && leg.state === 'alerting';
}

/** Something that rings at a colleague of an own team, and may be picked up. */
export interface RingingAtColleague {
  legId: string;
  callerName: string;
  colleagueId: string;
  colleagueName: string;
  since: number;
}

export const selectRingingAtColleagues = createSelector(
  selectAllCalls,
  selectMe,
  selectNames,
  (calls, me, names): RingingAtColleague[] =>
    calls.flatMap((call) => {
      if (
        !me ||
        legAt(call, me.deviceId) ||
        call.legs.some((leg) => leg.personId === me.personId && leg.state === 'alerting')
      )
        return [];
      const leg = call.legs.find((other) => isPickable(other, me.personId, names));
      if (!leg) return [];
      return [
        {
          legId: leg.id,
          callerName: identifyEndpoint(callerOf(call), call, names).name,
          colleagueId: leg.personId ?? '',
          colleagueName: names.office.people.get(leg.personId ?? '')?.name ?? '',
          since: leg.createdAt,
        },
      ];
    }),
);

function isPickable(leg: Leg, myId: string, { office }: Names): boolean {
  return (
    leg.state === 'alerting' &&
    leg.role === 'called' &&
    leg.replaces === null &&
    leg.personId !== null &&
    leg.personId !== myId &&
    office.areTeamMates(myId, leg.personId)
  );
}
