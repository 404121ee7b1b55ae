import isEqual from 'fast-deep-equal';

import type { Call, ExchangeEvent } from '@/core/calls/exchange';
import type { Mark } from '@/core/office';
import { glimpseOfCall, readersOf, seenChanges, type Audience } from '@/core/office/machine';

import type { OfficeStep } from './HostedOffice';
import type { SessionLink } from './SessionLink';

/** So much of what concerns nobody in particular is told within a millisecond, over all sessions: with many it comes less often. */
const toldPerMs = 20;

interface SessionLinksOptions {
  /**
   * What is no business of a session but which phones are busy, and which are signed in, is told of several steps together, no more often
   * than that; 0: at once.
   */
  gatherMs: number;
  setTimer: (run: () => void, ms: number) => () => void;
  /** Who runs the office. */
  runners: () => string[];
}

/** Things that have happened since all were told of them last. */
export interface Gathered {
  /** As they are now; of those that have ended, who saw them whole and has been told so. */
  calls: Map<string, Call | { endedFor: Audience }>;
  events: ExchangeEvent[];
  at: number;
  mark: Mark;
}

/** All sessions that are linked to the office: each step goes at once to those whom it concerns, and what is left of it to the others some time later. */
export class SessionLinks {
  private readonly byPerson = new Map<string | null, Set<SessionLink>>();
  private count = 0;
  private gathered: Gathered | null = null;
  /** What others see of each call, as it was after the last step that touched it. */
  private readonly glimpses = new Map<string, Call>();
  private stopTimer: () => void = () => undefined;

  constructor(private readonly options: SessionLinksOptions) {}

  add(personId: string | null, link: SessionLink): () => void {
    const links = this.byPerson.get(personId) ?? new Set();
    this.byPerson.set(personId, links.add(link));
    this.count++;
    return () => {
      if (!links.delete(link)) return;
      this.count--;
      if (links.size === 0) this.byPerson.delete(personId);
    };
  }

  tell(step: OfficeStep): void {
    const { gatherMs, runners } = this.options;
    const concerned = gatherMs === 0 ? null : concernedBy(step, runners);
    const readers = readersOf(step.rows);
    const asked =
      concerned === null || readers === null
        ? this.byPerson.keys()
        : new Set([null, ...concerned, ...readers]);
    for (const personId of asked) {
      const links = this.byPerson.get(personId) ?? [];
      const changes = seenChanges(step.rows, personId, step.of);
      const isTheirs = concerned === null || personId === null || concerned.has(personId);
      if (isTheirs || changes.length > 0) for (const link of links) link.tell(step, changes);
    }
    if (gatherMs > 0) this.gather(step, concerned === null);
  }

  close(): void {
    this.stopTimer();
    this.gathered = null;
  }

  private gather(step: OfficeStep, isToldToAll: boolean): void {
    const { endedCallIds, events, rows, at, mark, sights } = step;
    const changedCalls = step.changedCalls.filter((call) => this.isAnother(call));
    for (const id of endedCallIds) this.glimpses.delete(id);
    const general = isToldToAll ? [] : events.filter((event) => !('callId' in event));
    const isNothing = [changedCalls, endedCallIds, general, rows].every(({ length }) => length === 0);
    if (isNothing) return;
    const isFirst = this.gathered === null;
    const gathered: Gathered = this.gathered ?? { calls: new Map(), events: [], at, mark };
    this.gathered = Object.assign(gathered, { at, mark });
    gathered.events.push(...general);
    for (const call of changedCalls) gathered.calls.set(call.id, call);
    // Also of those that nobody was told of: whoever came meanwhile has read that they are there.
    for (const id of endedCallIds) gathered.calls.set(id, { endedFor: sights.get(id)?.before ?? null });
    if (isFirst) this.tellLater();
  }

  /** Whether others see another call than before; who comes meanwhile has read it as it is after some step. */
  private isAnother(call: Call): boolean {
    const glimpse = glimpseOfCall(call, true);
    const isSame = isEqual(glimpse, this.glimpses.get(call.id));
    this.glimpses.set(call.id, glimpse);
    return !isSame;
  }

  private tellLater(): void {
    const { gatherMs, setTimer } = this.options;
    // How much there will be is known only then: it is put off once more where that is too much for so short a time.
    const began = performance.now();
    const wait = (ms: number) => {
      this.stopTimer = setTimer(() => {
        const size = this.gathered ? this.gathered.calls.size + this.gathered.events.length : 0;
        const left = (size * this.count) / toldPerMs - (performance.now() - began);
        if (left > gatherMs) wait(left);
        else this.tellGathered();
      }, ms);
    };
    wait(gatherMs);
  }

  private tellGathered(): void {
    const { gathered } = this;
    this.gathered = null;
    if (!gathered) return;
    // Whoever plays those outside has been told all of it.
    for (const [personId, links] of this.byPerson)
      if (personId !== null) for (const link of links) link.tellGathered(gathered);
  }
}

/** Whom a step concerns, but for the rows that it changed; null: everybody. */
function concernedBy(
  { setup, access, accessRows, agents, isForAll, ...step }: OfficeStep,
  runners: () => string[],
): Set<string> | null {
  if (isForAll || setup !== null || agents !== null) return null;
  const concerned = new Set<string>();
  for (const { before, now } of step.sights.values())
    for (const audience of [before, now]) {
      if (audience === null) return null;
      audience?.forEach((personId) => concerned.add(personId));
    }
  for (const event of step.events) {
    if (event.type === 'recordWritten') concerned.add(event.record.personId);
    if (event.type === 'textOwed') concerned.add(event.personId);
  }
  if (access !== null) {
    for (const { now } of accessRows) {
      if (now === null) return null;
      concerned.add('personId' in now ? now.personId : now.id);
    }
    for (const personId of runners()) concerned.add(personId);
  }
  return concerned;
}
