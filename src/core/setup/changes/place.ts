import { editOf, freeId, inTurn, type Edit } from '../edits';
import { firstPlan } from '../newOffice';
import type { Grant, OfficeSetup, Person, RecordingPolicy } from '../setup';
import { retiring } from './retiring';

/** The phones somebody can be given, in the order in which they are offered. */
export const phoneKinds = [
  { kind: 'app', name: 'Cendro', callLimit: 6 },
  { kind: 'desk', name: 'desk phone', callLimit: 2 },
  { kind: 'mobile', name: 'mobile', callLimit: 2 },
] as const;
export type PhoneKind = (typeof phoneKinds)[number]['kind'];
/** Stands for a phone that they do not have yet. */
export const newPhone = (kind: PhoneKind) => `new ${kind}`;

/** What the office gives somebody. */
export interface Place {
  name: string;
  role: string;
  extension: string;
  presentedLineId: string;
  /** Phones that they have, by id, and those that are new, by kind. */
  phones: readonly string[];
  teamIds: readonly string[];
  administers: boolean;
  /** What they are let do beside it; left out: as it is. */
  may?: readonly Grant[];
  /** Who answers for them; left out: as it is. */
  answeredByIds?: readonly string[];
  /** Of their calls; null: as the office does; left out: as it is. */
  recording?: RecordingPolicy | null;
}

/** What makes the office so; somebody new rings by a first plan of their own. */
export function placeEdits(seen: OfficeSetup, person: Person | null, place: Place): Edit[] {
  const id = person?.id ?? freeId(seen, 'people', 'p');
  const { name, role, extension, presentedLineId, administers, phones, teamIds } = place;
  const {
    administers: _,
    recording: before,
    answeredBy: others = [],
    may: letBefore = [],
    ...rest
  } = person ?? {};
  const may = [...(place.may ?? letBefore)];
  const answeredBy = place.answeredByIds
    ? place.answeredByIds.map(
        (personId) => others.find((each) => each.personId === personId) ?? { personId, showsMine: false },
      )
    : others;
  const recording = place.recording === undefined ? before : place.recording;
  const row = {
    ...{ ...rest, id, name, role, extension, presentedLineId },
    ...(administers && { administers }),
    ...(may.length > 0 && { may }),
    ...(answeredBy.length > 0 && { answeredBy }),
    ...(recording && { recording }),
  };
  const added = phoneKinds
    .filter(({ kind }) => phones.includes(newPhone(kind)))
    .map(({ kind, name: phone, callLimit }) => ({
      ...{ id: freePhoneId(seen, `${id}-${kind}`), personId: id, kind, name: phone, callLimit },
    }));
  const gone = seen.devices.filter(
    (device) => device.personId === person?.id && !phones.includes(device.contactOf ?? device.id),
  );
  return inTurn(
    seen,
    (setup) => [editOf(setup, 'people', id, row)],
    ...gone.map((device) => (setup: OfficeSetup) => retiring(setup, 'devices', device.id, null)),
    (setup) => added.map((device) => editOf(setup, 'devices', device.id, device)),
    (setup) => (person ? [] : [editOf(setup, 'ringPlans', id, firstPlan(id, added))]),
    (setup) =>
      setup.teams.flatMap((team) => {
        const isIn = team.memberIds.includes(id);
        if (isIn === teamIds.includes(team.id)) return [];
        const memberIds = isIn ? team.memberIds.filter((each) => each !== id) : [...team.memberIds, id];
        return [editOf(setup, 'teams', team.id, { ...team, memberIds })];
      }),
  );
}

/** An id for a phone: the one that says whose and what, as long as none had it. */
export const freePhoneId = (setup: OfficeSetup, id: string) =>
  setup.devices.some((device) => device.id === id) ||
  setup.retired?.devices.some((device) => device.id === id)
    ? freeId(setup, 'devices', `${id}-`)
    : id;
