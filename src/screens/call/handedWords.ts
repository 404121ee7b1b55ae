import type { CallRecord } from '@/core/calls/exchange';
import { whereTo, type OfficeIndex } from '@/core/setup';
import { formatDuration } from '@/core/shared/time';
import type { HandedOver } from '@/state/app';

/** Where somebody is whom the worker has just handed over: "rings at Tobias Quill, comes back in 0:12". */
export function handedWords({ state, toName, at, backAt }: HandedOver, now: number): string {
  switch (state) {
    case 'waiting':
      return backAt === null
        ? `rings at ${toName}, ${formatDuration(now - at)}`
        : `rings at ${toName}, comes back in ${formatDuration(Math.max(0, backAt - now))}`;
    case 'taken':
      return `talks with ${toName}, ${formatDuration(now - at)}`;
    case 'mailbox':
      return `is in the mailbox of ${toName}`;
    case 'queue':
      return `waits for ${toName}`;
    case 'menu':
      return `hears the ${toName}`;
  }
}

/** What became of a call that its person handed over: "Handed to Ilse Varga, who took it"; null where they did not. */
export function handedOutcome({ acts, parties, personId }: CallRecord, office: OfficeIndex): string | null {
  const sent = acts.findLast(({ act, byId }) => act === 'transferred' && byId === personId);
  if (sent?.to == null) return null;
  const targetId = office.peopleByExtension.get(sent.to)?.id;
  const isTaken = parties.some(
    (party) => party.to > sent.at && (targetId ? party.personId === targetId : party.number === sent.to),
  );
  return `Handed to ${whereTo(sent.to, office)}${isTaken ? ', who took it' : ', who did not take it'}`;
}
