import { z } from 'zod';

/** How texts to a number fare, and what comes back. */
export const textScriptSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('delivers'),
    afterSeconds: z.number(),
    reply: z.object({ text: z.string(), afterSeconds: z.number() }).nullable(),
  }),
  /** The carrier has it, and their phone is off. */
  z.object({ kind: z.literal('phoneOff') }),
  /** The carrier knows no such number. */
  z.object({ kind: z.literal('refuses') }),
  /** The carrier itself can't be reached. */
  z.object({ kind: z.literal('unreachable') }),
]);
export type TextScript = z.infer<typeof textScriptSchema>;

export interface CarrierCast {
  texts: Readonly<Record<string, TextScript>>;
  textsOtherwise: TextScript;
}

/** A text on its way out; its picture travels as its size only, since nobody outside looks at it. */
export const outgoingTextSchema = z.object({
  id: z.string(),
  number: z.string(),
  lineId: z.string(),
  text: z.string(),
  hasPicture: z.boolean(),
  asks: z.enum(['callBack']).nullable().default(null),
  /** Who of the office has written it. */
  fromId: z.string().nullable().default(null),
});
export type OutgoingText = z.input<typeof outgoingTextSchema>;

export const incomingPictureSchema = z.object({
  /** Where the picture is fetched: an address of this app, or a data URL. */
  url: z.string(),
  width: z.number().int().positive(),
  height: z.number().int().positive(),
  alt: z.string(),
});
export const incomingTextSchema = z.object({
  number: z.string(),
  lineId: z.string(),
  text: z.string(),
  picture: incomingPictureSchema.nullable(),
  /** Which colleague writes, in a room; left out by earlier versions, like the next. */
  fromId: z.string().nullable().default(null),
  asks: z.enum(['callBack']).nullable().default(null),
  /** To which colleague somebody of the office writes; null: to whoever uses the app. */
  toId: z.string().nullable().default(null),
});
export type IncomingText = z.input<typeof incomingTextSchema>;

export const textEventSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('delivered'), at: z.number(), id: z.string() }),
  z.object({ kind: z.literal('received'), at: z.number(), id: z.string(), text: incomingTextSchema }),
  /** A colleague who was asked to call back does so. */
  z.object({
    kind: z.literal('callsBack'),
    at: z.number(),
    extension: z.string(),
    /** Who asked for it; null: whoever uses the app. */
    toId: z.string().nullable().default(null),
  }),
]);
/** What the carrier tells of a text. */
export type TextEvent = z.infer<typeof textEventSchema>;

export const carrierStateSchema = z.object({
  nextOrder: z.number(),
  pending: z.array(z.object({ order: z.number(), event: textEventSchema })),
  changed: z.record(z.string(), textScriptSchema),
  /** Texts it has taken, so that one sent twice is one. */
  taken: z.array(z.string()),
});
export type CarrierState = z.infer<typeof carrierStateSchema>;

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
