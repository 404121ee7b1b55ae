import {
  incomingTextSchema,
  type CarrierCast,
  type CarrierState,
  type IncomingText,
  type OutgoingText,
  type TextEvent,
  type TextScript,
} from './texts';

const rememberedTexts = 500;
const callsBackAfterMs = 15_000;

/** The text carrier outside, with the phones it serves: a deterministic stand-in whose state is plain data. */
export class TextCarrier {
  private state: CarrierState;

  constructor(
    private readonly cast: CarrierCast,
    state?: CarrierState,
  ) {
    this.state = state ?? { nextOrder: 1, pending: [], changed: {}, taken: [] };
  }

  save(): CarrierState {
    return JSON.parse(JSON.stringify(this.state)) as CarrierState;
  }

  scriptOf(number: string): TextScript {
    return this.state.changed[number] ?? this.cast.texts[number] ?? this.cast.textsOtherwise;
  }

  setScript(number: string, script: TextScript): void {
    this.state.changed[number] = script;
  }

  /** Hands over one text. A text that was taken before is taken, and not sent again. */
  send(text: OutgoingText, at: number): 'taken' | 'refused' | 'unreachable' {
    if (this.state.taken.includes(text.id)) return 'taken';
    const script = this.scriptOf(text.number);
    if (script.kind === 'refuses') return 'refused';
    if (script.kind === 'unreachable') return 'unreachable';
    this.state.taken = [...this.state.taken, text.id].slice(-rememberedTexts);
    if (script.kind === 'phoneOff') return 'taken';
    const deliveredAt = at + script.afterSeconds * 1000;
    this.push({ kind: 'delivered', at: deliveredAt, id: text.id });
    const { number, lineId } = text;
    if (text.asks === 'callBack')
      this.push({
        kind: 'callsBack',
        at: deliveredAt + callsBackAfterMs,
        extension: number,
        toId: text.fromId ?? null,
      });
    else if (script.reply)
      this.receive(
        { number, lineId, text: script.reply.text, picture: null, toId: text.fromId ?? null },
        deliveredAt + script.reply.afterSeconds * 1000,
      );
    return 'taken';
  }

  /** Somebody outside texts one of the office's lines. */
  receive(text: IncomingText, at: number): void {
    const id = `in-${at}-${this.state.nextOrder}`;
    this.push({ kind: 'received', at, id, text: incomingTextSchema.parse(text) });
  }

  nextAt(): number | null {
    return this.state.pending.reduce<number | null>(
      (next, { event }) => (next === null || event.at < next ? event.at : next),
      null,
    );
  }

  /** All that is due by `to`, in order. */
  takeDue(to: number): TextEvent[] {
    const due = this.state.pending
      .filter(({ event }) => event.at <= to)
      .sort((a, b) => a.event.at - b.event.at || a.order - b.order);
    this.state.pending = this.state.pending.filter((each) => !due.includes(each));
    return due.map(({ event }) => event);
  }

  private push(event: TextEvent): void {
    this.state.pending.push({ order: this.state.nextOrder++, event });
  }
}
