import { hostsAmong, withoutEnd, type Attending } from '../meetings';
import { isOpenRoom, isTalking, type Call, type Leg } from './call';

/** Who is in the talk of a call, also those who hold it. */
export const attendingOf = ({ legs }: Pick<Call, 'legs'>): Leg[] =>
  legs.filter((leg) => isTalking(leg) && !isOpenRoom(leg));

/** The legs of those who decide in the meeting of a call: none where it is no meeting, or nobody is there. */
export const hostsOf = (call: Pick<Call, 'legs' | 'meeting'>): string[] =>
  call.meeting ? hostsAmong(call.meeting, attendingOf(call).map(toAttending)) : [];

/** Somebody has left the call, and with it its meeting. */
export function leaveMeeting(call: Call, gone: Leg): void {
  if (call.meeting) call.meeting = withoutEnd(call.meeting, gone.id);
}

const toAttending = ({ id, endpoint, answeredAt, createdAt }: Leg): Attending => ({
  legId: id,
  isOfOffice: endpoint.kind === 'device',
  since: answeredAt ?? createdAt,
});
