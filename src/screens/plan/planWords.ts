import { deviceName } from '@/core/history';
import type { Finish, OfficeIndex } from '@/core/office';
import type { RouteTrace } from '@/core/routing';

/** "Maren Oyelaran’s mailbox", "busy tone": where an unanswered call ends. */
export function finishWords(finish: Finish, office: OfficeIndex): string {
  switch (finish.kind) {
    case 'mailbox':
      return `${office.people.get(finish.personId)?.name ?? 'nobody'}’s mailbox`;
    case 'busy':
      return 'busy tone';
    case 'forward':
      return `forwarded to ${finish.to}`;
  }
}

/** What rings in which seconds, and where it ends, in one sentence. */
export function ringsWords(trace: RouteTrace, office: OfficeIndex): string {
  if (trace.legs.length === 0) return `Nothing rings: at once ${finishWords(trace.finish, office)}.`;
  const parts = trace.legs.map(
    ({ deviceId, fromSeconds, toSeconds }) => `${deviceName(deviceId, office)} ${fromSeconds}–${toSeconds} s`,
  );
  return `${parts.join(', ')}; then ${finishWords(trace.finish, office)}.`;
}
