import type { Try } from '@/core/inbox/looseEnds';
import { mayRead, speaksTo } from '@/core/inbox/messages';
import type { OfficeIndex } from '@/core/setup';

import type { FaxChange, OfficeFax } from '../faxing';
import { usersOfLine } from '../lines';
import type { MessagingSeen, OfficeMessage } from '../messaging';
import type { RowChange } from '../rows';

/** What has happened between the people of the office and somebody. */
export type Meaning =
  /** Somebody waits for each of those people. */
  | {
      kind: 'tried';
      forIds: readonly string[];
      other: { number: string | null; name: string | null; personId: string | null };
      tried: Try;
    }
  /** Somebody has a text or a fax from `byId`, which answers them for each of those people. */
  | {
      kind: 'reached';
      forIds: readonly string[];
      other: { number: string | null; personId: string | null };
      id: string;
      at: number;
      byId: string;
    }
  /** Somebody has written in a room, which answers whoever spoke to them there. */
  | { kind: 'wroteInRoom'; byId: string; roomId: string; at: number };

/** What a changed text, message or line in a room means for who waits. */
export function meaningsOfMessage(
  { before, now }: RowChange<'messages', OfficeMessage>,
  seen: MessagingSeen,
): Meaning[] {
  if (now === null) return [];
  const { office } = seen;
  const { between, id, deliveredAt: at } = now;
  const tried = tryOf(now, office);
  if (between.kind === 'line' && between.fromId === null) {
    if (before !== null) return [];
    const forIds = usersOfLine(now.lineId, office);
    return [{ kind: 'tried', forIds, other: { number: between.number, name: null, personId: null }, tried }];
  }
  if (at === null || (before?.deliveredAt ?? null) !== null) return [];
  switch (between.kind) {
    case 'line':
      return [
        reachedBy(
          between.fromId ?? '',
          now.lineId,
          { number: between.number, personId: null },
          { id, at },
          office,
        ),
      ];
    case 'colleagues': {
      const { fromId: byId, toId } = between;
      const other = { number: null, personId: toId };
      return [
        { kind: 'reached', forIds: [byId], byId, other, id, at },
        { kind: 'tried', forIds: [toId], other: asOther(byId, office), tried },
      ];
    }
    case 'room': {
      const { fromId: byId, roomId } = between;
      return [
        { kind: 'wroteInRoom', byId, roomId, at },
        { kind: 'tried', forIds: spokenTo(now, between, seen), other: asOther(byId, office), tried },
      ];
    }
  }
}

/** What a changed fax means for who waits. */
export function meaningsOfFax({ before, now }: FaxChange, office: OfficeIndex): Meaning[] {
  if (now === null) return [];
  const { id, fromId, lineId, number, endedAt: at, state } = now;
  const other = { number, name: null, personId: null };
  if (fromId === null) {
    const forIds = usersOfLine(lineId, office);
    return before === null ? [{ kind: 'tried', forIds, other, tried: tryOfFax(now, office) }] : [];
  }
  const isThere = state === 'done' && before?.state !== 'done' && at !== null;
  return isThere ? [reachedBy(fromId, lineId, other, { id, at }, office)] : [];
}

/** Whom somebody has written to from a line is answered for all who use it. */
const reachedBy = (
  byId: string,
  lineId: string,
  other: { number: string | null; personId: string | null },
  { id, at }: { id: string; at: number },
  office: OfficeIndex,
): Meaning => ({
  ...{ kind: 'reached', other, id, byId, at },
  forIds: [...new Set([byId, ...usersOfLine(lineId, office)])],
});

const asOther = (personId: string, { people }: OfficeIndex) => {
  const person = people.get(personId);
  return { number: person?.extension ?? null, name: person?.name ?? null, personId };
};

/** In a room only those wait for an answer who speak to somebody by name, or ask to be called. */
function spokenTo(
  { text, asks }: OfficeMessage,
  { roomId, fromId }: { roomId: string; fromId: string },
  { office, rooms }: MessagingSeen,
): string[] {
  const room = rooms.get(roomId);
  if (!room) return [];
  return [...office.people.values()]
    .filter(({ id, name }) => {
      if (id === fromId || !mayRead(room, id)) return false;
      return speaksTo(text, name) || (asks !== null && room.memberIds.includes(id));
    })
    .map(({ id }) => id);
}

function tryOf({ id, at, lineId, between, asks }: OfficeMessage, office: OfficeIndex): Try {
  const isInside = between.kind !== 'line';
  return {
    id,
    at,
    openedAt: at,
    kind: asks === 'callBack' ? 'callBackRequest' : isInside ? 'message' : 'text',
    lineId: isInside ? null : lineId,
    teamId: null,
    roomId: between.kind === 'room' ? between.roomId : null,
    isUrgent: !isInside && (office.lines.get(lineId)?.urgent ?? false),
    lengthMs: null,
  };
}

const tryOfFax = ({ id, at, lineId }: OfficeFax, office: OfficeIndex): Try => ({
  ...{ id, at, openedAt: at, kind: 'fax', lineId, teamId: null, roomId: null, lengthMs: null },
  isUrgent: office.lines.get(lineId)?.urgent ?? false,
});
