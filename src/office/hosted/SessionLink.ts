import type { Call, Command, CommandResult } from '@/core/calls/exchange';
import {
  hasRole,
  inboxRequestSchema,
  type Inbox,
  type InboxRequest,
  type OfficeReply,
  type OfficeRequest,
  type Mark,
  type OfficeSeen,
  type SeenChange,
  type SeenTables,
  type Session,
  type Sight,
} from '@/core/office';
import {
  accessSeen,
  allSeen,
  foreseenBy,
  may,
  seenChanges,
  seenSince,
  sightOf,
  viewOfCall,
  viewOfEvent,
  viewOfSetup,
  type ChangedRow,
} from '@/core/office/machine';
import type { RouteTrace } from '@/core/plans/routing';

import type { Script } from '../standins';
import type { Numbered, OfficeUpdate, OutsideLink, Playing } from '../link';
import type { OfficeStep } from './HostedOffice';

/** Only whoever plays the people outside may ask for that; it is a fault of ours that it was asked for. */
export class NotForThisSession extends Error {
  constructor(session: Session, what: string) {
    super(`Session ${session.id} may not ${what}.`);
  }
}

/** The office that sessions are linked to. */
export interface OfficeOfAll extends Pick<OutsideLink, 'send' | 'play' | 'scriptOf'> {
  /** Epoch milliseconds. */
  readonly clockTime: number;
  snapshot(): OfficeUpdate;
  seen(): OfficeSeen;
  /** How something was answered before, where its app may not have heard it. */
  answerTo(numbered: Numbered): OfficeReply | CommandResult | null;
  askFor(session: Session, request: OfficeRequest, numbered?: Numbered): Promise<OfficeReply>;
  /** What somebody keeps for themselves, as far as it is there. */
  ownOf(personId: string): SeenTables['personal'];
  /** Whether an app is signed in as somebody. */
  isHere(personId: string): boolean;
  inbox(): Promise<Inbox>;
  /** Rows that were changed since; null where that is not known any more. */
  changedSince(mark: Mark): ChangedRow[] | null;
  /** Does it once all that has happened so far is kept. */
  onceKept(tell: () => void): void;
  /** Rows come as they are kept: everybody's. */
  subscribe(listener: (step: OfficeStep) => void): () => void;
}

/** The link of one session: what it may not ask for is refused before it reaches the office, and it is told what it may see. */
export class SessionLink implements OutsideLink {
  /** How much of each call it saw when it last changed: of one that has ended there is nothing left to look at. */
  private readonly sights = new Map<string, Sight>();
  private readonly listeners = new Set<(update: OfficeUpdate) => void>();
  private readonly stopListening: () => void;

  constructor(
    private readonly office: OfficeOfAll,
    private readonly session: Session,
    private readonly onClose: () => void,
  ) {
    for (const call of office.seen().calls.values()) this.look(call);
    this.stopListening = office.subscribe(({ rows, accessRows: _rows, revision: _, of, ...update }) => {
      const changes = seenChanges(rows, session.personId, of);
      const changedCalls = [...update.changedCalls, ...(update.setup ? this.seenOtherwise(update) : [])];
      const seen = this.view({ ...update, changedCalls, changes });
      office.onceKept(() => this.listeners.forEach((listener) => listener(seen)));
      for (const id of update.endedCallIds) this.sights.delete(id);
    });
  }

  async send(command: Command, numbered?: Numbered): Promise<CommandResult> {
    const own = numbered && this.owned(numbered);
    const before = own && this.office.answerTo(own);
    if (before) return before as CommandResult;
    const denial = may(this.session, command, this.office.seen());
    return denial ? { ok: false, reason: denial } : this.office.send(command, own);
  }

  async ask(request: OfficeRequest, numbered?: Numbered): Promise<OfficeReply> {
    const own = numbered && this.owned(numbered);
    const before = own && this.office.answerTo(own);
    return (before as OfficeReply | null) ?? this.office.askFor(this.session, request, own);
  }

  async foresee(to: string): Promise<RouteTrace | null> {
    return this.kept(foreseenBy(this.session, this.office.seen(), to, this.office.clockTime));
  }

  async own(): Promise<SeenTables['personal']> {
    const { personId } = this.session;
    return this.kept(personId === null ? [] : this.office.ownOf(personId));
  }

  async tables(): Promise<SeenTables> {
    return this.kept(allSeen(this.session.personId, await this.office.inbox()));
  }

  async changesSince(mark: Mark): Promise<SeenChange[] | null> {
    const inbox = await this.office.inbox();
    const rows = this.office.changedSince(mark);
    return this.kept(rows && seenSince(rows, this.session.personId, inbox));
  }

  /** In the same memory nothing is. */
  async missed(): Promise<SeenChange[]> {
    return [];
  }

  play(asked: Playing): Promise<void> {
    return this.asSimulator(() => this.office.play(asked));
  }

  scriptOf(party: string): Promise<Script> {
    return this.asSimulator(() => this.office.scriptOf(party));
  }

  askAs(personId: string, asked: InboxRequest): Promise<OfficeReply> {
    return this.asSimulator(async () => {
      // Whoever plays somebody chooses no PIN for them, and lets nobody in.
      const request = inboxRequestSchema.parse(asked);
      if (this.office.isHere(personId))
        throw new NotForThisSession(this.session, 'speak for somebody who is signed in');
      const roles = ['member'] as const;
      return this.office.askFor({ ...this.session, personId, roles: [...roles] }, request);
    });
  }

  subscribe(listener: (update: OfficeUpdate) => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  async snapshot(): Promise<OfficeUpdate> {
    return this.kept(this.view(this.office.snapshot()));
  }

  close(): void {
    this.stopListening();
    this.listeners.clear();
    this.onClose();
  }

  /** What was seen may hold what is still being kept: it is given once that is done. */
  private kept<T>(seen: T): Promise<T> {
    return new Promise((resolve) => this.office.onceKept(() => resolve(seen)));
  }

  private view(update: OfficeUpdate): OfficeUpdate {
    const { session } = this;
    const { office, legOf } = this.office.seen();
    // What leads to a sight, and what ends it, is heard as well.
    const before = new Map(update.changedCalls.map(({ id }) => [id, this.sights.get(id)]));
    for (const call of update.changedCalls) this.look(call);
    const sightOfCall = (id: string): Sight =>
      before.get(id) === 'whole' ? 'whole' : (this.sights.get(id) ?? 'glimpse');
    const isMyLeg = (legId: string) => legOf(legId)?.personId === session.personId;
    return {
      ...update,
      setup: update.setup && viewOfSetup(session, office),
      access: update.access && accessSeen(update.access, session, office),
      events: update.events.flatMap((event) => {
        const sight = 'callId' in event ? sightOfCall(event.callId) : 'glimpse';
        return viewOfEvent(session, event, sight, { isMyLeg, office }) ?? [];
      }),
      changedCalls: update.changedCalls.map((call) =>
        viewOfCall(session, call, office, this.sights.get(call.id) ?? 'glimpse'),
      ),
      speech: update.speech.filter(({ callId }) => sightOfCall(callId) === 'whole'),
    };
  }

  /** Calls that nothing has happened to, and that are seen otherwise since the office was changed. */
  private seenOtherwise({ changedCalls }: OfficeUpdate): Call[] {
    const told = new Set(changedCalls.map(({ id }) => id));
    const { calls, office } = this.office.seen();
    return [...calls.values()].filter(
      (call) => !told.has(call.id) && sightOf(this.session, call, office) !== this.sights.get(call.id),
    );
  }

  /** What another session asked under the same name is nothing to this one. */
  private owned({ app, ...rest }: Numbered): Numbered {
    return { app: `${this.session.id} ${app}`, ...rest };
  }

  private look(call: Call): void {
    this.sights.set(call.id, sightOf(this.session, call, this.office.seen().office));
  }

  private async asSimulator<T>(act: () => Promise<T>): Promise<T> {
    if (!hasRole(this.session, 'simulator')) throw new NotForThisSession(this.session, 'play who is outside');
    return act();
  }
}
