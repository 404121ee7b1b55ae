import type { CallRecord } from '@/core/calls/exchange';
import { talkMs } from './recordWords';

type Party = CallRecord['parties'][number];

export interface Talk {
  /** Milliseconds in which the other side was in the call with anybody, on hold included. */
  ms: number;
  /** Epoch milliseconds. */
  until: number;
  /** The colleague who had them longest; null: the person whose record it is. */
  byId: string | null;
}

/** How long whoever is on the other side was talked to, whoever answered and however often they were handed over. */
export function talkWithOther(record: CallRecord): Talk {
  const { parties, other, personId, answeredById, endedAt } = record;
  const isOther = (party: Party) =>
    other.personId === null
      ? party.personId === null && party.number === other.number
      : party.personId === other.personId;
  const others = parties.filter(isOther);
  const talks = parties
    .filter((party) => !isOther(party))
    .flatMap((party) => others.map((each) => overlap(party, each)))
    .filter(({ from, to }) => to > from)
    .sort((a, b) => a.from - b.from);
  // Records of earlier versions hold no parties.
  if (others.length === 0) return { ms: talkMs(record), until: endedAt, byId: answeredById };

  let ms = 0;
  let until = record.startedAt;
  const byPerson = new Map<string, number>();
  for (const { from, to, personId: id } of talks) {
    ms += Math.max(0, to - Math.max(from, until));
    until = Math.max(until, to);
    // At a number outside somebody speaks for whose place it was rung in.
    const whose = id ?? answeredById ?? personId;
    byPerson.set(whose, (byPerson.get(whose) ?? 0) + to - from);
  }
  const [longest] = [...byPerson].sort(([, a], [, b]) => b - a);
  return { ms, until, byId: longest === undefined || longest[0] === personId ? null : longest[0] };
}

const overlap = (ours: Party, theirs: Party) => ({
  personId: ours.personId,
  from: Math.max(ours.from, theirs.from),
  to: Math.min(ours.to, theirs.to),
});
