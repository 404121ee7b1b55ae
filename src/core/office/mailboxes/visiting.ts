import { greetingFor, situationAt } from '@/core/plans/routing';
import type { Voicemail } from '@/core/inbox/voicemail';
import { formatNumber } from '@/core/numbers/numbering';
import { spokenSeconds, type OfficeIndex } from '@/core/setup';
import { formatMoment } from '@/core/shared/time';

import { hearsMailbox } from './view';

/** What somebody who goes through their mailbox by phone hears next, and what becomes of a message. */
export interface VisitStep {
  says: { text: string; voicemailId: string | null };
  /** The messages, in the order in which they are gone through, and at which they are (-1: before the first). */
  list: string[];
  at: number;
  /** Until nothing more is heard, in milliseconds. */
  lastsMs: number;
  /** What becomes of a message: it was heard, put away, or had back. */
  marks?: { id: string; as: 'heard' | 'away' | 'back' };
  /** Whom they want to call, where that can be called. */
  calls?: string;
}

/** Where they are. */
export interface VisitNow {
  personId: string;
  list: readonly string[];
  at: number;
}

interface Around {
  voicemails: ReadonlyMap<string, Voicemail>;
  office: OfficeIndex;
  /** Epoch milliseconds. */
  now: number;
}

/** What each key does, as it is told. */
const keysText =
  'Press 1 for the next message, 2 to hear it again, 3 to delete it, 4 to call them back, 5 for your greeting, 0 for these keys.';

/** Somebody has shown their PIN: how many messages there are, theirs and their teams’. New ones come first, their own before others, the oldest first of each. */
export function beginVisit(personId: string, { voicemails, office }: Omit<Around, 'now'>): VisitStep {
  const there = [...voicemails.values()]
    .filter(({ mailboxId, deletedAt }) => deletedAt === null && hearsMailbox(mailboxId, personId, office))
    .sort(
      (a, b) =>
        Number(a.heardAt !== null) - Number(b.heardAt !== null) ||
        Number(a.mailboxId !== personId) - Number(b.mailboxId !== personId) ||
        a.at - b.at,
    );
  const mine = there.filter(({ mailboxId }) => mailboxId === personId);
  const fresh = newOf(mine);
  const how = `You have ${countOf(fresh, 'new message')}, and ${countOf(mine.length - fresh, 'message')} heard before.`;
  const ofTeams = office.setup.teams.flatMap(({ id, name }) => {
    const count = newOf(there.filter(({ mailboxId }) => mailboxId === id));
    return count === 0 ? [] : [`For ${name}: ${countOf(count, 'new message')}.`];
  });
  return said([how, ...ofTeams, keysText].join(' '), { list: there.map(({ id }) => id), at: -1 });
}

const newOf = (voicemails: readonly Voicemail[]) =>
  voicemails.filter(({ heardAt }) => heardAt === null).length;

/** They have pressed a key. */
export function pressInVisit(key: string, visit: VisitNow, around: Around): VisitStep {
  const here = { list: [...visit.list], at: visit.at };
  const message = around.voicemails.get(visit.list[visit.at] ?? '');
  switch (key) {
    case '1':
      return playFrom(visit.at + 1, visit, around);
    case '2':
      return message ? playFrom(visit.at, visit, around) : playFrom(0, visit, around);
    case '3':
      if (!message) return said(`No message is being heard. ${keysText}`, here);
      return message.deletedAt === null
        ? {
            ...said('It is deleted. Press 3 once more to have it back, 1 for the next message.', here),
            marks: { id: message.id, as: 'away' },
          }
        : {
            ...said('It is here again. Press 1 for the next message.', here),
            marks: { id: message.id, as: 'back' },
          };
    case '4': {
      const number = message?.from.number ?? null;
      if (!message) return said(`No message is being heard. ${keysText}`, here);
      if (number === null) return said('They withheld their number, so they can’t be called back.', here);
      return { ...said('They are being called.', here), calls: number };
    }
    case '5':
      return said(`Callers hear now: ${greetingText(visit.personId, around)}`, here);
    default:
      return said(keysText, here);
  }
}

/** What is said where somebody can't be called back. */
export const notCalledBack = (visit: VisitNow): VisitStep =>
  said('That number can’t be called from here. Press 1 for the next message.', {
    list: [...visit.list],
    at: visit.at,
  });

function playFrom(at: number, visit: VisitNow, { voicemails, office, now }: Around): VisitStep {
  const list = [...visit.list];
  const message = voicemails.get(list[at] ?? '');
  if (!message) {
    const text = list.length === 0 ? 'There are no messages.' : 'There are no more messages.';
    return said(`${text} ${keysText}`, { list, at: Math.min(at, list.length) });
  }
  const when = formatMoment(message.at, now, office.setup.zone);
  const urgent = message.isUrgent ? ', urgent' : '';
  const team = office.ever.teams.get(message.mailboxId)?.name;
  const forTeam = team === undefined ? '' : `, for ${team}`;
  const text = `Message ${at + 1} of ${list.length}${urgent}${forTeam}, from ${callerOf(message, office)}, ${when}.`;
  const step = said(text, { list, at });
  return {
    ...step,
    says: { text, voicemailId: message.id },
    lastsMs: step.lastsMs + message.durationMs,
    marks: { id: message.id, as: 'heard' },
  };
}

function callerOf({ from }: Voicemail, office: OfficeIndex): string {
  const name = office.ever.people.get(from.personId ?? '')?.name ?? from.name;
  if (name !== null) return name;
  return from.number === null ? 'somebody who withheld their number' : formatNumber(from.number, office.plan);
}

function greetingText(personId: string, { office, now }: Around): string {
  const plan = office.ringPlans.get(personId);
  const situationId = situationAt(office, personId, now);
  const greeting = plan && greetingFor(plan, { at: now, situationId, lineId: null }, office);
  if (!greeting) return 'the plain greeting of the office.';
  return greeting.recorded ? `${greeting.name}, in your own voice.` : `“${greeting.text}”`;
}

const said = (text: string, where: Pick<VisitStep, 'list' | 'at'>): VisitStep => ({
  ...where,
  says: { text, voicemailId: null },
  lastsMs: spokenSeconds(text) * 1000,
});

const countOf = (number: number, what: string) =>
  number === 0 ? `no ${what}s` : number === 1 ? `one ${what}` : `${number} ${what}s`;
