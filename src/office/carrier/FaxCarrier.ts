import type { FaxFailure } from '@/core/inbox/fax';

import type { FaxCarrierState, FaxCast, FaxScript, FaxTold, IncomingFax, OutgoingFax } from './faxes';

/** Times of a call between fax machines at 14,400 bit/s (ITU-T T.30 phases A to D, V.17). */
const ms = { ringing: 6_000, handshake: 8_000, page: 20_000, ringsOut: 45_000, busy: 3_000 };

/** The fax machines outside, and the network to them: a deterministic stand-in whose state is plain data. */
export class FaxCarrier {
  private state: FaxCarrierState;

  constructor(
    private readonly cast: FaxCast,
    state?: FaxCarrierState,
  ) {
    this.state = state ?? { nextOrder: 1, pending: [], changed: {} };
  }

  save(): FaxCarrierState {
    return JSON.parse(JSON.stringify(this.state)) as FaxCarrierState;
  }

  scriptOf(number: string): FaxScript {
    return (
      this.state.changed[number] ?? this.cast.faxes[number] ?? this.cast.faxesOtherwise ?? { kind: 'takes' }
    );
  }

  setScript(number: string, script: FaxScript): void {
    this.state.changed[number] = script;
  }

  /** Begins to send one, from the first page the other side does not have. One that is on its way already goes on. */
  send({ id, number, pages, sentPages }: OutgoingFax, at: number): void {
    if (this.isSending(id)) return;
    this.push({ kind: 'dialling', at, id });
    const script = this.scriptOf(number);
    const fail = (failure: FaxFailure, after: number) =>
      this.push({ kind: 'failed', at: at + after, id, failure });
    switch (script.kind) {
      case 'busy':
        return fail('busy', ms.busy);
      case 'noAnswer':
        return fail('noAnswer', ms.ringsOut);
      case 'voice':
        return fail('noFax', ms.ringing + ms.handshake);
      default:
        return this.sendPages({ id, pages, sentPages }, at, script.kind === 'takes' ? null : script.pages);
    }
  }

  isSending(id: string): boolean {
    return this.state.pending.some(({ event }) => event.kind !== 'received' && event.id === id);
  }

  /** Lets go of the line of one that is on its way. The page that was being sent counts as not taken. */
  stop(id: string, at: number): void {
    const { pending } = this.state;
    const isOf = ({ event }: (typeof pending)[number]) => event.kind !== 'received' && event.id === id;
    this.state.pending = pending.filter((each) => !isOf(each));
    this.push({ kind: 'stopped', at, id });
  }

  /** Paper for one of the office's lines. */
  receive(fax: IncomingFax, at: number): void {
    this.push({ kind: 'received', at, id: `fax-in-${at}-${this.state.nextOrder}`, fax });
  }

  nextAt(): number | null {
    return this.state.pending.reduce<number | null>(
      (next, { event }) => (next === null || event.at < next ? event.at : next),
      null,
    );
  }

  /** All that is due by `to`, in order. */
  takeDue(to: number): FaxTold[] {
    const due = this.state.pending
      .filter(({ event }) => event.at <= to)
      .sort((a, b) => a.event.at - b.event.at || a.order - b.order);
    this.state.pending = this.state.pending.filter((each) => !due.includes(each));
    return due.map(({ event }) => event);
  }

  private sendPages(
    { id, pages, sentPages }: Pick<OutgoingFax, 'id' | 'pages' | 'sentPages'>,
    at: number,
    breaksOffAfter: number | null,
  ): void {
    let now = at + ms.ringing + ms.handshake;
    this.push({ kind: 'pagesTaken', at: now, id, pages: sentPages });
    for (let page = sentPages + 1; page <= pages; page++) {
      if (breaksOffAfter !== null && page > breaksOffAfter) {
        this.push({ kind: 'failed', at: now + ms.page / 2, id, failure: 'brokeOff' });
        return;
      }
      now += ms.page;
      this.push({ kind: 'pagesTaken', at: now, id, pages: page });
    }
    this.push({ kind: 'done', at: now, id });
  }

  private push(event: FaxTold): void {
    this.state.pending.push({ order: this.state.nextOrder++, event });
  }
}
