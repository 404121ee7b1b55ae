import type { Call, Command, CommandResult } from '@/core/calls/exchange';
import {
  hasRole,
  inboxRequestSchema,
  runsOffice,
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
  audienceOf,
  foreseenBy,
  may,
  seenSince,
  sightFor,
  viewOfCall,
  viewOfEvent,
  viewOfSetup,
  type Audience,
  type ChangedRow,
} from '@/core/office/machine';
import type { OfficeIndex } from '@/core/setup';
import type { RouteTrace } from '@/core/plans/routing';

import type { Script } from '../standins';
import type { Numbered, OfficeUpdate, OutsideLink, Playing } from '../link';
import type { OfficeStep } from './HostedOffice';
import type { Gathered, SessionLinks } from './SessionLinks';
import type { SightOfCall, Sights } from './Sights';

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
  readonly sights: Pick<Sights, 'of'>;
  readonly network: OfficeUpdate['network'];
}

/** The link of one session: what it may not ask for is refused before it reaches the office, and it is told what it may see. */
export class SessionLink implements OutsideLink {
  private readonly listeners = new Set<(update: OfficeUpdate) => void>();
  private readonly stopListening: () => void;

  constructor(
    private readonly office: OfficeOfAll,
    private readonly session: Session,
    links: Pick<SessionLinks, 'add'>,
    private readonly onClose: () => void,
  ) {
    this.stopListening = links.add(session.personId, this);
  }

  /** Something has happened; `changes`: of rows, as its person sees them. */
  tell(step: OfficeStep, changes: SeenChange[]): void {
    const {
      rows: _rows,
      accessRows: _access,
      revision: _,
      of: _of,
      calls: _calls,
      answered: _answered,
      sights,
      isForAll,
      ...update
    } = step;
    const seen = this.view({ ...update, changes }, (id) => sights.get(id) ?? {});
    if (isForAll || !isNothing(seen)) this.say(seen);
  }

  /** What has happened lately beside that, of calls of others and of phones. */
  tellGathered({ calls, events, at, mark }: Gathered): void {
    const { sights } = this.office;
    const isSeenBy = (audience: Audience | undefined) =>
      audience !== undefined && sightFor(this.session, audience) === 'whole';
    const snapshot = { ...nothing, at, mark, network: this.office.network, events };
    const changedCalls = [...calls.values()].flatMap((call) =>
      'endedFor' in call || isSeenBy(sights.of(call.id)) ? [] : [call],
    );
    const endedCallIds = [...calls].flatMap(([id, call]) =>
      'endedFor' in call && !isSeenBy(call.endedFor) ? [id] : [],
    );
    this.say(this.view({ ...snapshot, changedCalls, endedCallIds }, () => ({})));
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
    const { office, calls } = this.office.seen();
    const sightNow = (id: string): SightOfCall => {
      const call = calls.get(id);
      return call ? { now: audienceOf(call, office) } : {};
    };
    return this.kept(this.view(this.office.snapshot(), sightNow));
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

  private say(update: OfficeUpdate): void {
    this.office.onceKept(() => this.listeners.forEach((listener) => listener(update)));
  }

  private view(update: OfficeUpdate, sightsOf: (callId: string) => SightOfCall): OfficeUpdate {
    const { session } = this;
    const { office, legOf } = this.office.seen();
    const sightOfNow = (id: string): Sight => {
      const { now } = sightsOf(id);
      return now === undefined ? 'glimpse' : sightFor(session, now);
    };
    // What leads to a sight, and what ends it, is heard as well.
    const sightOfCall = (id: string): Sight => {
      const { before } = sightsOf(id);
      return before !== undefined && sightFor(session, before) === 'whole' ? 'whole' : sightOfNow(id);
    };
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
        sightOfNow(call.id) === 'whole'
          ? viewOfCall(session, call, office, 'whole')
          : this.glimpseOf(call, office),
      ),
      speech: update.speech.filter(({ callId }) => sightOfCall(callId) === 'whole'),
    };
  }

  /** The same for all who run the office, and for all others. */
  private glimpseOf(call: Call, office: OfficeIndex): Call {
    const glimpses = runsOffice(this.session, office) ? runnersGlimpses : membersGlimpses;
    const glimpse = glimpses.get(call) ?? viewOfCall(this.session, call, office, 'glimpse');
    glimpses.set(call, glimpse);
    return glimpse;
  }

  /** What another session asked under the same name is nothing to this one. */
  private owned({ app, ...rest }: Numbered): Numbered {
    return { app: `${this.session.id} ${app}`, ...rest };
  }

  private async asSimulator<T>(act: () => Promise<T>): Promise<T> {
    if (!hasRole(this.session, 'simulator')) throw new NotForThisSession(this.session, 'play who is outside');
    return act();
  }
}

/** Of copies of calls, which nothing changes any more. */
const [membersGlimpses, runnersGlimpses] = [new WeakMap<Call, Call>(), new WeakMap<Call, Call>()];

const nothing = {
  ...{ isWhole: false, events: [], changedCalls: [], endedCallIds: [], speech: [] },
  ...{ setup: null, access: null, changes: [], signedIn: null, agents: null },
};

const isNothing = ({ events, changedCalls, endedCallIds, speech, changes, ...rest }: OfficeUpdate) =>
  [events, changedCalls, endedCallIds, speech, changes].every(({ length }) => length === 0) &&
  [rest.setup, rest.access, rest.agents].every((each) => each === null);
