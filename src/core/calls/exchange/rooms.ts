import { isOpenRoom, type Call, type Leg } from './call';

/** Whether somebody in a conference came by the host PIN, with this phone or another of theirs. */
export const isHostIn = (call: Call, { id, personId }: Leg): boolean =>
  call.legs.some(
    (leg) => leg.isHost === true && (leg.id === id || (personId !== null && leg.personId === personId)),
  );

/** The call in which a conference is held now; null where nobody is there. */
export function roomOf(calls: Iterable<Call>, conferenceId: string): Call | null {
  for (const call of calls)
    for (const leg of call.legs)
      if (isOpenRoom(leg) && leg.endpoint.kind === 'conference' && leg.endpoint.conferenceId === conferenceId)
        return call;
  return null;
}
