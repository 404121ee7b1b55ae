import { roomIdOf } from '@/core/inbox/messages';
import { addresseeOf, writtenOfficeMessage, type Messaging, type OfficeMessage } from '@/core/office';
import type { OfficeIndex } from '@/core/setup';

import { type CarrierCast, type CarrierState, type TextEvent } from '../carrier';
import { TextCarrier } from '../carrier/machine';

interface Around {
  office: () => OfficeIndex;
  /** Without a network nothing goes out or comes in; what is written waits. */
  isOnline: () => boolean;
  /** Somebody whose app is signed in has it at once; whoever is played gets it by their script. */
  isHere: (personId: string) => boolean;
  /** Whose app it is that a colleague writes to, where that is not said. */
  member: () => string;
}

type Received = Extract<TextEvent, { kind: 'received' }>;
type CallsBack = Extract<TextEvent, { kind: 'callsBack' }>;

/**
 * Takes the office's messages to the carrier and what it brings into the office. Nothing moves before what an earlier run kept is
 * there (`open`), so that a receipt finds its message.
 */
export class TextTraffic {
  readonly carrier: TextCarrier;
  private isOpen = false;

  constructor(
    cast: CarrierCast,
    private readonly messaging: Messaging,
    private readonly around: Around,
    state?: CarrierState,
  ) {
    this.carrier = new TextCarrier(cast, state);
  }

  /** What was kept is here. `told`: what a carrier told an earlier version, which had not been taken in. */
  open(told: readonly TextEvent[]): void {
    for (const event of told) if (event.kind !== 'callsBack') this.take(event);
    this.isOpen = true;
  }

  /** When there is something to do next; Infinity: never, as things stand. */
  nextAt(now: number): number {
    if (!this.isOpen) return Infinity;
    const queued = this.around.isOnline() ? this.messaging.nextSendAt(now) : null;
    return Math.min(this.carrier.nextAt() ?? Infinity, queued ?? Infinity);
  }

  /** Does what is due at that instant; gives the colleagues who call back now. */
  run(at: number): CallsBack[] {
    if (!this.isOpen) return [];
    const due = this.carrier.takeDue(at);
    for (const event of due) if (event.kind !== 'callsBack') this.take(event);
    this.handOver(at);
    return due.filter((event) => event.kind === 'callsBack');
  }

  private take(event: Exclude<TextEvent, CallsBack>): void {
    if (event.kind === 'delivered') this.messaging.delivered(event.id, event.at);
    else this.messaging.arrived(this.arrivalOf(event));
  }

  private handOver(at: number): void {
    if (!this.around.isOnline()) return;
    for (;;) {
      const next = this.messaging.nextToSend(at);
      if (!next) return;
      const { id, between, lineId, text, picture, asks } = next;
      if (between.kind === 'colleagues' && this.around.isHere(between.toId)) {
        this.messaging.answered(id, 'taken', at);
        this.messaging.delivered(id, at);
        continue;
      }
      const fromId = between.fromId;
      const to = {
        id,
        number: this.numberOf(next),
        lineId,
        text,
        hasPicture: picture !== null,
        asks,
        fromId,
      };
      this.messaging.answered(id, this.carrier.send(to, at), at);
    }
  }

  /** A colleague is reached by their extension. */
  private numberOf(message: OfficeMessage): string {
    const { between } = message;
    if (between.kind !== 'colleagues') return addresseeOf(message);
    return this.around.office().people.get(between.toId)?.extension ?? between.toId;
  }

  private arrivalOf({ id, at, text: came }: Received): OfficeMessage {
    const { number, lineId, text, picture, asks } = came;
    const from = this.around.office().peopleByExtension.get(number);
    const roomId = roomIdOf(number);
    const fromOutside = { kind: 'line', number, fromId: null } as const;
    const between =
      roomId !== null
        ? ({ kind: 'room', roomId, fromId: came.fromId ?? '' } as const)
        : from
          ? ({ kind: 'colleagues', fromId: from.id, toId: came.toId ?? this.around.member() } as const)
          : fromOutside;
    const isInside = between.kind !== 'line';
    return {
      ...writtenOfficeMessage({ id, at, between, lineId, text, asks }),
      state: isInside ? 'delivered' : 'received',
      ...(isInside ? { sentAt: at, deliveredAt: at } : {}),
      picture: picture && { ...picture, id, bytes: picture.url.length },
    };
  }
}
