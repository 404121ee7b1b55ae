import type { Call, Command, CommandResult } from '@/core/calls/exchange';
import {
  allSeen,
  hasRole,
  may,
  seenChanges,
  sightOf,
  viewOfCall,
  viewOfEvent,
  type Inbox,
  type InboxChange,
  type InboxReply,
  type InboxRequest,
  type OfficeSeen,
  type SeenTables,
  type Session,
  type Sight,
} from '@/core/office';
import type { Network } from '@/core/calls/quality';

import type { FaxScript, IncomingFax, IncomingText, TextScript } from '../carrier';
import type { Script } from '../standins';
import type { OfficeLink, OfficeUpdate, OutsideLink } from './link';

/** Only whoever plays the people outside may ask for that; it is a fault of ours that it was asked for. */
export class NotForThisSession extends Error {
  constructor(session: Session, what: string) {
    super(`Session ${session.id} may not ${what}.`);
  }
}

/** The office that sessions are linked to. */
export interface OfficeOfAll
  extends
    Pick<OfficeLink, 'send'>,
    Omit<OutsideLink, 'ask' | 'askAs' | 'snapshot' | 'tables' | 'subscribe' | 'close'> {
  snapshot(): OfficeUpdate;
  seen(): OfficeSeen;
  askFor(session: Session, request: InboxRequest): Promise<InboxReply>;
  /** Whether an app is signed in as somebody. */
  isHere(personId: string): boolean;
  inbox(): Promise<Inbox>;
  /** Rows come as they are kept: everybody's. */
  subscribe(listener: (step: OfficeUpdate & { rows: readonly InboxChange[]; of: Inbox }) => void): () => void;
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
    this.stopListening = office.subscribe(({ rows, of, ...update }) => {
      const changes = seenChanges(rows, session.personId, of);
      const seen = this.view({ ...update, changes });
      for (const listener of this.listeners) listener(seen);
      for (const id of update.endedCallIds) this.sights.delete(id);
    });
  }

  async send(command: Command): Promise<CommandResult> {
    const denial = may(this.session, command, this.office.seen());
    return denial ? { ok: false, reason: denial } : this.office.send(command);
  }

  setScript(party: string, script: Script): Promise<void> {
    return this.asSimulator(() => this.office.setScript(party, script));
  }

  scriptOf(party: string): Script {
    return this.office.scriptOf(party);
  }

  setNetwork(network: Network): Promise<void> {
    return this.asSimulator(() => this.office.setNetwork(network));
  }

  ask(request: InboxRequest): Promise<InboxReply> {
    return this.office.askFor(this.session, request);
  }

  async tables(): Promise<SeenTables> {
    return allSeen(this.session.personId, await this.office.inbox());
  }

  receiveText(text: IncomingText): Promise<void> {
    return this.asSimulator(() => this.office.receiveText(text));
  }

  askAs(personId: string, request: InboxRequest): Promise<InboxReply> {
    return this.asSimulator(async () => {
      if (this.office.isHere(personId))
        throw new NotForThisSession(this.session, 'speak for somebody who is signed in');
      const roles = ['member'] as const;
      return this.office.askFor({ ...this.session, personId, roles: [...roles] }, request);
    });
  }

  setTextScript(number: string, script: TextScript): Promise<void> {
    return this.asSimulator(() => this.office.setTextScript(number, script));
  }

  receiveFax(fax: IncomingFax): Promise<void> {
    return this.asSimulator(() => this.office.receiveFax(fax));
  }

  setFaxScript(number: string, script: FaxScript): Promise<void> {
    return this.asSimulator(() => this.office.setFaxScript(number, script));
  }

  subscribe(listener: (update: OfficeUpdate) => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  async snapshot(): Promise<OfficeUpdate> {
    return this.view(this.office.snapshot());
  }

  close(): void {
    this.stopListening();
    this.listeners.clear();
    this.onClose();
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
      events: update.events.flatMap((event) => {
        const sight = 'callId' in event ? sightOfCall(event.callId) : 'glimpse';
        return viewOfEvent(session, event, sight, isMyLeg) ?? [];
      }),
      changedCalls: update.changedCalls.map((call) =>
        viewOfCall(session, call, office, this.sights.get(call.id) ?? 'glimpse'),
      ),
      speech: update.speech.filter(({ callId }) => sightOfCall(callId) === 'whole'),
    };
  }

  private look(call: Call): void {
    this.sights.set(call.id, sightOf(this.session, call, this.office.seen().office));
  }

  private async asSimulator<T>(act: () => Promise<T>): Promise<T> {
    if (!hasRole(this.session, 'simulator')) throw new NotForThisSession(this.session, 'play who is outside');
    return act();
  }
}
