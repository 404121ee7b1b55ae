import type { ExchangeEvent, Leg, VisitAct } from '@/core/calls/exchange';
import type { Inbox, Session } from '@/core/office';
import { beginVisit, notCalledBack, pressInVisit, type VisitStep } from '@/core/office/machine';
import type { OfficeIndex } from '@/core/setup';

import type { Desk } from './Desk';

interface VisitsOptions {
  office: () => OfficeIndex;
  inbox: Inbox;
  desk: Pick<Desk, 'isPinOf'>;
  legOf: (legId: string) => Leg | null;
  now: () => number;
  /** Does something in a mailbox that is gone through. Gives why it can't be done; null: it is. */
  act: (legId: string, act: VisitAct) => string | null;
  /** Keeps and tells what has changed. */
  settle: () => Promise<void>;
  /** Does it once the messages are there. */
  whenOpen: (act: () => Promise<void>) => Promise<void>;
}

/** Those who go through their mailbox by phone: their PIN is looked at, and what they press is carried out, one after the other. */
export class MailboxVisits {
  private last: Promise<void> = Promise.resolve();

  constructor(private readonly options: VisitsOptions) {}

  hear(events: readonly ExchangeEvent[]): void {
    for (const event of events) {
      if (event.type === 'visitPinGiven') this.inTurn(() => this.prove(event.legId));
      if (event.type === 'visitKeyed') this.inTurn(() => this.press(event.legId, event.key));
    }
  }

  /** What a host that was begun anew finds asked for, and not answered. */
  takeUp(legs: Iterable<Leg>): void {
    for (const { id, visit } of legs) if (visit?.phase === 'checking') this.inTurn(() => this.prove(id));
  }

  private inTurn(act: () => Promise<void>): void {
    const done = this.last.then(() => this.options.whenOpen(act)).then(this.options.settle);
    // What fails ends one visit, and not those after it.
    this.last = done.catch((error: unknown) => console.error('In a mailbox:', error));
  }

  private async prove(legId: string): Promise<void> {
    const { desk, legOf, act, inbox, office } = this.options;
    const visit = legOf(legId)?.visit;
    if (visit?.phase !== 'checking') return;
    const { personId, digits } = visit;
    // What was typed for an extension that nobody has is nobody’s try.
    const isRight = digits !== '' && (await desk.isPinOf(personId, digits)) === null;
    act(legId, { kind: 'settle', isRight });
    if (isRight) this.say(legId, beginVisit(personId, { voicemails: inbox.mailboxes.all, office: office() }));
  }

  private async press(legId: string, key: string): Promise<void> {
    const { legOf, act, inbox, office, now } = this.options;
    const visit = legOf(legId)?.visit;
    if (visit?.phase !== 'open') return;
    const around = { voicemails: inbox.mailboxes.all, office: office(), now: now() };
    const step = pressInVisit(key, visit, around);
    this.mark(visit.personId, step);
    const why = step.calls === undefined ? null : act(legId, { kind: 'callBack', to: step.calls });
    if (step.calls === undefined) this.say(legId, step);
    else if (why !== null) this.say(legId, notCalledBack(visit));
  }

  private mark(personId: string, { marks }: VisitStep): void {
    if (!marks) return;
    const { inbox, now } = this.options;
    const by: Session = { id: 'mailbox', personId, deviceId: null, roles: ['member'] };
    const { id } = marks;
    const request =
      marks.as === 'heard'
        ? ({ type: 'markVoicemail', id, isHeard: true } as const)
        : ({ type: marks.as === 'away' ? 'putVoicemailAway' : 'bringVoicemailBack', id } as const);
    inbox.request(by, request, now());
  }

  private say(legId: string, { says, list, at, lastsMs }: VisitStep): void {
    this.options.act(legId, { kind: 'speak', says, list, at, lastsMs });
  }
}
