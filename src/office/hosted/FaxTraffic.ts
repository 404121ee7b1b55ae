import { writtenFax } from '@/core/inbox/fax';
import { faxFromOnePerson, type Faxing } from '@/core/office';

import { type FaxCarrierState, type FaxCast, type FaxTold } from '../carrier';
import { FaxCarrier } from '../carrier/machine';

/**
 * Takes the office's faxes to the carrier, of each line one at a time, and what it tells into the office. Nothing moves before what
 * an earlier run kept is there (`open`), so that what is told of a fax finds it.
 */
export class FaxTraffic {
  readonly carrier: FaxCarrier;
  private isOpen = false;

  constructor(
    cast: FaxCast,
    private readonly faxing: Faxing,
    private readonly isOnline: () => boolean,
    state?: FaxCarrierState,
  ) {
    this.carrier = new FaxCarrier(cast, state);
  }

  /** What was kept is here. `told`: what a carrier told an earlier version, which had not been taken in. */
  open(at: number, told: readonly FaxTold[]): void {
    for (const event of told) this.take(event);
    // A machine that knows nothing of a fax does not go on sending it.
    for (const { id } of this.faxing.underway())
      if (!this.carrier.isSending(id)) this.faxing.told({ kind: 'failed', id, at, failure: 'brokeOff' });
    this.isOpen = true;
  }

  /** When there is something to do next; Infinity: never, as things stand. */
  nextAt(now: number): number {
    if (!this.isOpen) return Infinity;
    const waiting = this.isOnline() ? this.faxing.nextSendAt(now) : null;
    return Math.min(this.carrier.nextAt() ?? Infinity, waiting ?? Infinity);
  }

  /** Does what is due at that instant. */
  run(at: number): void {
    if (!this.isOpen) return;
    for (const id of this.faxing.takeStops()) this.carrier.stop(id, at);
    for (const event of this.carrier.takeDue(at)) this.take(event);
    if (!this.isOnline()) return;
    for (const { id, number, pages, sentPages } of this.faxing.nextToSend(at))
      if (number !== null) this.carrier.send({ id, number, pages, sentPages }, at);
    for (const event of this.carrier.takeDue(at)) this.take(event);
  }

  private take(event: FaxTold): void {
    if (event.kind !== 'received') return this.faxing.told(event);
    const { id, at } = event;
    const { url, ...fax } = event.fax;
    const came = writtenFax({ ...fax, id, at, direction: 'in', state: 'received', pagesUrl: url });
    this.faxing.arrived(faxFromOnePerson(came, ''));
  }
}
