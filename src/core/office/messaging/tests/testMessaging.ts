import { testSetup } from '@/core/calls/exchange/tests/testOffice';
import { OfficeIndex, type OfficeSetup } from '@/core/setup';

import type { Session } from '../../session';
import { member } from '../../tests/member';
import { allMessagingSeen, messagingRequestSchema, type MessagingReply, type MessagingRequest } from '..';
import { Messaging } from '../Messaging';

export const at = Date.UTC(2026, 10, 26, 10, 40);
export const farm = '+441174960155';
export const angling = '+447700900333';

export { member };

/** For the tests: Ada (214) owns the line for texts; Ben (201) and Cleo (211) are her colleagues. */
export const setup: OfficeSetup = {
  ...testSetup,
  lines: [
    ...testSetup.lines,
    {
      ...{ id: 'text', name: 'Texts', number: '+447700900120', cord: { hue: 4, stroke: 'double' } },
      ...{ urgent: false, ownerId: 'ada', texts: true },
    },
  ],
};

/** The messages of that office, and what its people ask for. */
export function openMessaging() {
  const index = new OfficeIndex(setup);
  const messaging = new Messaging(
    () => index,
    (personId) => personId !== 'cleo',
  );
  let now = at;
  let made = 0;
  const ask = (session: Session, request: MessagingRequest): MessagingReply =>
    messaging.request(session, messagingRequestSchema.parse(request), ++now);
  const write = (personId: string, number: string, text: string, given: object = {}) => {
    const id = `m${++made}`;
    const reply = ask(member(personId), { type: 'write', id, number, lineId: 'text', text, ...given });
    return { id, reply };
  };
  const sees = (personId: string) =>
    allMessagingSeen(personId, messaging).messages.map(
      ({ direction, number, text, state }) => `${direction} ${number} ${text} ${state}`,
    );
  const rooms = (personId: string) => allMessagingSeen(personId, messaging).rooms.map(({ name }) => name);
  /** All that waits goes out, and arrives. */
  const arrive = () => {
    for (let next = messaging.nextToSend(now); next; next = messaging.nextToSend(now)) {
      messaging.answered(next.id, 'taken', ++now);
      messaging.delivered(next.id, ++now);
    }
  };
  return { messaging, ask, write, sees, rooms, arrive, now: () => now };
}
