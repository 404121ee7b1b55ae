import { createSelector } from '@reduxjs/toolkit';

import { whatIsHeard, type Call, type Heard, type Leg } from '@/core/exchange';
import { groupByDay } from '@/core/history';
import { formatNumber, ukOfficePlan } from '@/core/numbering';
import { OfficeIndex, type Line, type OfficeSetup } from '@/core/office';
import { PeopleIndex } from '@/core/people';
import type { Continuous } from '@/office/sound';

import type { RootState } from './store';

const emptySetup: OfficeSetup = {
  name: '',
  zone: 'Europe/London',
  people: [],
  lines: [],
  devices: [],
  ringPlans: [],
};

export const selectOffice = createSelector(
  (state: RootState) => state.office.setup,
  (setup) => new OfficeIndex(setup ?? emptySetup),
);

export const selectPeople = createSelector(
  selectOffice,
  (state: RootState) => state.office.contacts,
  (office, contacts) => new PeopleIndex(office, contacts),
);

export const selectZone = (state: RootState) => state.office.setup?.zone ?? 'Europe/London';

export const selectHistoryRows = createSelector(
  (state: RootState) => state.history.records,
  selectZone,
  groupByDay,
);

/** Somebody in a call, as the worker knows them. */
export interface PartyView {
  legId: string;
  name: string;
  /** Firm, role or number: what tells two of a name apart. */
  detail: string;
  number: string | null;
  state: Leg['state'];
  heard: Heard;
  muted: boolean;
}

/**
 * `incoming` rings here; `calling` waits for the network; `ringing` rings over there; `mailbox` speaks to one.
 */
export type CallPhase = 'incoming' | 'calling' | 'ringing' | 'talking' | 'held' | 'mailbox' | 'failed';

/** One call as seen from this device. */
export interface CallView {
  id: string;
  call: Call;
  phase: CallPhase;
  direction: 'in' | 'out';
  me: PartyView;
  /** All at the other ends who are still there. */
  others: PartyView[];
  line: Line | null;
  /** Since when the call is talked on, or else since when it is there. */
  since: number;
}

type Names = { office: OfficeIndex; people: PeopleIndex };

export const selectMyCalls = createSelector(
  (state: RootState) => state.calls.byId,
  (state: RootState) => state.office.me?.deviceId,
  selectOffice,
  selectPeople,
  (byId, deviceId, office, people): CallView[] =>
    Object.values(byId)
      .flatMap((call) => {
        const leg = call.legs.find(({ endpoint, state }) => isAt(endpoint, deviceId) && state !== 'cleared');
        return leg ? [viewCall(call, leg, { office, people })] : [];
      })
      .sort((a, b) => a.call.startedAt - b.call.startedAt || a.id.localeCompare(b.id)),
);

const isAt = (endpoint: Leg['endpoint'], deviceId: string | undefined) =>
  endpoint.kind === 'device' && endpoint.deviceId === deviceId;

export const selectIncoming = createSelector(selectMyCalls, (calls) =>
  calls.filter(({ phase }) => phase === 'incoming'),
);
export const selectTaken = createSelector(selectMyCalls, (calls) =>
  calls.filter(({ phase }) => phase !== 'incoming'),
);

function viewCall(call: Call, mine: Leg, names: Names): CallView {
  const heard = whatIsHeard(call);
  const party = (leg: Leg) => viewParty(leg, heard[leg.id] ?? { kind: 'nothing' }, call, names);
  const others = call.legs.filter(
    (leg) => leg.id !== mine.id && leg.state !== 'cleared' && isWorthShowing(leg, call),
  );
  return {
    id: call.id,
    call,
    phase: phaseOf(call, mine),
    direction: mine.role === 'caller' ? 'out' : 'in',
    me: party(mine),
    others: others.length > 0 ? others.map(party) : [unreached(call, names)],
    line: names.office.lines.get(call.lineId ?? '') ?? null,
    since: call.answeredAt ?? call.startedAt,
  };
}

/** While a plan rings several devices of one person, the caller sees the person once. */
function isWorthShowing(leg: Leg, call: Call): boolean {
  if (leg.role === 'caller') return true;
  return leg === call.legs.find((other) => other.role === 'called' && other.state === leg.state);
}

function phaseOf(call: Call, mine: Leg): CallPhase {
  if (mine.state === 'alerting') return 'incoming';
  if (call.failure) return 'failed';
  if (mine.state === 'held') return 'held';
  const called = call.legs.filter((leg) => leg.role === 'called' && leg.state !== 'cleared');
  if (called.some((leg) => leg.endpoint.kind === 'mailbox')) return 'mailbox';
  if (call.answeredAt !== null) return 'talking';
  return called.some((leg) => leg.state === 'alerting') ? 'ringing' : 'calling';
}

function viewParty(leg: Leg, heard: Heard, call: Call, names: Names): PartyView {
  return {
    legId: leg.id,
    state: leg.state,
    muted: leg.muted,
    heard,
    ...identify(leg.endpoint, leg.role, call, names),
  };
}

function identify(endpoint: Leg['endpoint'], role: Leg['role'], call: Call, { office, people }: Names) {
  switch (endpoint.kind) {
    case 'device': {
      const owner = office.ownerOf(endpoint.deviceId);
      const line = role === 'called' ? office.linesByNumber.get(call.dialled) : undefined;
      if (!owner) return { name: endpoint.deviceId, detail: '', number: null };
      return {
        name: owner.name,
        detail: line?.name ?? `${owner.role} · ${owner.extension}`,
        number: owner.extension,
      };
    }
    case 'mailbox':
      return {
        name: `${office.people.get(endpoint.personId)?.name ?? 'A'} mailbox`,
        detail: 'mailbox',
        number: null,
      };
    case 'outside':
      return identifyNumber(endpoint.number, endpoint.name, people);
  }
}

/** Name and detail for a number: from the contacts, else the caller's own name, else the number itself. */
export function identifyNumber(number: string | null, ownName: string | null, people: PeopleIndex) {
  const known = people.whoHas(number);
  const written = number === null ? 'number withheld' : formatAny(number);
  if (known) return { name: known.name, detail: known.detail ?? written, number };
  if (ownName) return { name: ownName, detail: written, number };
  return number === null
    ? { name: 'Withheld number', detail: 'caller not shown', number }
    : { name: written, detail: 'not in your contacts', number };
}

/** E.164 numbers nationally, extensions and codes as they are. */
export function formatAny(number: string): string {
  return number.startsWith('+') ? formatNumber(number, ukOfficePlan) : number;
}

/** Who was called, before or after anybody is there. */
function unreached(call: Call, { office, people }: Names): PartyView {
  const person = office.peopleByExtension.get(call.dialled);
  const line = office.linesByNumber.get(call.dialled);
  const found = person
    ? { name: person.name, detail: `${person.role} · ${person.extension}`, number: person.extension }
    : line
      ? { name: line.name, detail: formatAny(line.number), number: line.number }
      : identifyNumber(call.dialled, null, people);
  return {
    legId: `${call.id}-called`,
    state: call.failure ? 'failed' : 'initiated',
    heard: { kind: 'nothing' },
    muted: false,
    ...found,
  };
}

/** What this device sounds of its calls: the one talked on first, then what rings. */
export const selectMySound = createSelector(
  selectMyCalls,
  (state: RootState) => state.calls.silenced,
  (calls, silenced): Continuous | null => {
    const ringing = calls.find(({ phase, id }) => phase === 'incoming' && !silenced.includes(id));
    const active = calls.find(({ me }) => me.state === 'connected');
    const heard = active?.me.heard;
    if (heard?.kind === 'tone') return heard.tone;
    if (heard?.kind === 'ringback' || heard?.kind === 'music') return heard.kind;
    if (!ringing) return null;
    if (active) return 'waiting';
    return ringing.line?.urgent ? 'urgentRing' : 'ring';
  },
);

/** What a colleague is doing, as far as the exchange knows. */
export type PresenceState = 'free' | 'onCall' | 'ringing';

export const selectPresence = createSelector(
  (state: RootState) => state.calls.byId,
  selectOffice,
  (byId, office): Record<string, PresenceState> => {
    const presence: Record<string, PresenceState> = {};
    for (const call of Object.values(byId)) {
      for (const leg of call.legs) {
        const owner = leg.endpoint.kind === 'device' ? office.ownerOf(leg.endpoint.deviceId) : null;
        if (!owner || leg.state === 'cleared') continue;
        if (leg.state !== 'alerting') presence[owner.id] = 'onCall';
        else presence[owner.id] ??= 'ringing';
      }
    }
    return presence;
  },
);
