import { createSelector } from '@reduxjs/toolkit';

import {
  callerOf,
  isLive,
  isMachine,
  isMailbox,
  isTalking,
  limits,
  type Call,
  type Leg,
} from '@/core/calls/exchange';

import { legAt, nameOfCall, selectAllCalls, selectNames, viewCall, type Names } from './callViews';
import { identifyDialled, identifyEndpoint, type Identity } from './identify';
import { selectMe } from './session';

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

/** All who are parked, the longest first. */
export const selectParked = createSelector(
  selectAllCalls,
  selectMe,
  selectNames,
  (calls, me, names): ParkedView[] =>
    calls
      .flatMap((call) => (call.parked ? [viewParked(call, call.parked, me.personId, names)] : []))
      .sort((a, b) => a.since - b.since),
);

function viewParked(
  call: Call,
  { slot, at, byId }: NonNullable<Call['parked']>,
  myId: string,
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
      if (legAt(call, me.deviceId) || call.failure) return [];
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

/** A call the worker has handed over, and where it is now. */
export interface HandedOver {
  callId: string;
  /** Of one of those who were handed over. */
  legId: string;
  /** Who was handed over. */
  name: string;
  /** To whom. */
  toName: string;
  at: number;
  /** `taken`: they talk; `waiting`: whoever is called hears or sees it; else a machine has it. */
  state: 'waiting' | 'taken' | 'mailbox' | 'menu' | 'queue';
  /** When it comes back if nobody takes it; null where it does not. */
  backAt: number | null;
  /** Until when it can be taken back; null: as long as it waits. */
  takeBackUntil: number | null;
}

/** Whether it can still be taken back. */
export const canTakeBack = ({ takeBackUntil }: HandedOver, now: number) =>
  takeBackUntil === null || now < takeBackUntil;

export const selectHandedOver = createSelector(
  selectAllCalls,
  selectMe,
  selectNames,
  (calls, me, names): HandedOver[] =>
    calls.flatMap((call) => {
      const { handedOver } = call;
      if (!handedOver || handedOver.byId !== me.personId || legAt(call, me.deviceId)) return [];
      return [viewHandedOver(call, handedOver, names)];
    }),
);

function viewHandedOver(
  call: Call,
  { at, to, heldLegIds }: NonNullable<Call['handedOver']>,
  names: Names,
): HandedOver {
  const live = call.legs.filter(isLive);
  const machine = live.find(isMachine);
  const isTarget = (leg: Leg) => leg.broughtFor === 'transfer' || isMachine(leg);
  const held = live.filter(({ id }) => heldLegIds.includes(id));
  const others = held.length > 0 ? held : live.filter((leg) => isTalking(leg) && !isTarget(leg));
  const isWaiting = call.comesBackTo !== null;
  return {
    callId: call.id,
    legId: (others[0] ?? live[0])?.id ?? '',
    name: nameOfCall({ others: others.map((leg) => ({ ...identifyEndpoint(leg, call, names) })) }),
    toName: identifyDialled(to, names).name,
    at,
    state: machine ? keeperOf(machine) : isWaiting ? 'waiting' : 'taken',
    backAt: isWaiting ? at + names.office.setup.policies.transferReturnSeconds * 1000 : null,
    takeBackUntil: isWaiting ? null : at + limits.takeBackMs,
  };
}

function keeperOf(machine: Leg): HandedOver['state'] {
  if (isMailbox(machine)) return 'mailbox';
  return machine.endpoint.kind === 'queue' ? 'queue' : 'menu';
}
