import { afterRefusal, type Call, type Leg } from '@/core/calls/exchange';
import { describeFinish, type Finish, type OfficeIndex } from '@/core/setup';
import type { TriesToday } from '@/core/calls/history';
import type { RouteTrace } from '@/core/plans/routing';
import { formatDuration, formatSpan } from '@/core/shared/time';
import { identifyDialled, type Names } from '@/state/app';

import { shortTargetName } from '../shared/targetWords';

/** "4th try today, last 12 min ago"; null for who has not tried in vain. */
export function triesWords({ count, lastAt }: TriesToday, now: number): string | null {
  if (count === 0 || lastAt === null) return null;
  return `${ordinal(count + 1)} try today, last ${formatSpan(now - lastAt)} ago`;
}

/** "Pressed 1 in the Night menu": the key that led here; null where no menu asked. */
export function pressedWords(call: Call, office: OfficeIndex): string | null {
  const pressed = call.acts.findLast(({ act }) => act === 'chose');
  if (!pressed) return null;
  const menu = call.earlierTraces.map(({ ownerId }) => office.menus.get(ownerId)).findLast(Boolean);
  return `Pressed ${pressed.to ?? 'a key'} in ${menu ? `the ${menu.name}` : 'a menu'}`;
}

/** "For Kofi Renner": whose call it is that rings here; null where it is one's own, or a team's. */
export function forWords(
  trace: Pick<RouteTrace, 'ownerId'> | undefined,
  myId: string,
  office: OfficeIndex,
): string | null {
  const owner = office.people.get(trace?.ownerId ?? '');
  return owner && owner.id !== myId ? `For ${owner.name}` : null;
}

/** "For Yard, waited 1:20": the queue it came by, and how long that took; null where it waited in none. */
export function queuedWords({ queued }: Call, office: OfficeIndex, now: number): string | null {
  if (!queued) return null;
  const name = office.teams.get(queued.teamId)?.name ?? 'a team';
  const isBack = queued.callBackTo !== null ? ', to be called back: answer, and they are called' : '';
  return `For ${name}, waited ${formatDuration(now - queued.since)}${isBack}`;
}

/** Why it rings here although nobody has just called this device: it came back, or a busy one is free. */
export function returnedWords(
  call: Call,
  isOwnCall: boolean,
  otherName: string,
  names: Names,
): string | null {
  const whyBack = whyItCameBack(call, names);
  if (whyBack !== null) return `Comes back: ${whyBack}.`;
  return isOwnCall ? `${otherName} can be reached now. Answer, and they are called.` : null;
}

/** "Tobias Quill did not take the call": why it is with whoever sent it again; null where it did not come back. */
export function whyItCameBack(call: Call, names: Names): string | null {
  if (!call.returned) return null;
  if (call.returned.why === 'park') return 'nobody took them from their slot';
  const sent = call.acts.findLast(({ act }) => act === 'transferred');
  const target = sent?.to == null ? 'nobody' : identifyDialled(sent.to, names).name;
  return `${target} did not take the call`;
}

/** What is true after a refusal: "to Ilse for 15 s, then your mailbox". */
export function refusalWords(call: Call, leg: Leg, at: number, office: OfficeIndex): string {
  const { rings, finish, goesOn } = afterRefusal(call, leg, at);
  if (leg.role === 'caller') return 'nobody is called';
  const ringing = rings.map(
    ({ leg: planned, seconds }) =>
      `to ${shortTargetName(planned, office, leg.personId ?? '', 'inSentence')} for ${Math.round(seconds)} s`,
  );
  const end = goesOn
    ? 'they stay together without you'
    : finish
      ? `${ringing.length > 0 ? 'then ' : isMailbox(finish) ? 'to ' : ''}${describeFinish(finish, office, leg.personId ?? undefined)}`
      : 'the others go on';
  return [...new Set(ringing), end].join(', ');
}

const isMailbox = ({ kind }: Finish) => kind === 'mailbox' || kind === 'teamMailbox';

function ordinal(count: number): string {
  const suffix =
    count % 100 >= 11 && count % 100 <= 13 ? 'th' : (['th', 'st', 'nd', 'rd'][count % 10] ?? 'th');
  return `${count}${suffix}`;
}
