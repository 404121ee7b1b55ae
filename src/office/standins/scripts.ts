import { z } from 'zod';

const seconds = z.number().min(0).max(600);

/** How a stand-in behaves when called. Seconds count from its first ring. */
export const scriptSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('byHand') }),
  z.object({
    kind: z.literal('answers'),
    afterSeconds: seconds,
    /** Hangs up by itself after so long; null: stays until the other side ends. */
    talksForSeconds: seconds.nullable(),
    clip: z.string(),
  }),
  /** Busy, and where `freeSeconds` is set so long after the first try; then they answer. */
  z.object({ kind: z.literal('busy'), freeSeconds: seconds.optional() }),
  z.object({ kind: z.literal('neverAnswers') }),
  z.object({ kind: z.literal('refuses'), afterSeconds: seconds }),
  z.object({ kind: z.literal('unknownNumber') }),
  z.object({ kind: z.literal('menu'), afterSeconds: seconds, menuId: z.string() }),
]);
export type Script = z.infer<typeof scriptSchema>;

/** A company's voice menu: a clip to play, and where each key leads. */
export interface VoiceMenu {
  greeting: string;
  choices: Readonly<Record<string, { clip: string; thenHangUp: boolean }>>;
  wrongKey: string;
}

/** Who stands in for whom, by E.164 number or device id, and what they can say. */
export interface StandInCast {
  scripts: Readonly<Record<string, Script>>;
  /** For numbers nobody wrote a script for. */
  otherwise: Script;
  menus: Readonly<Record<string, VoiceMenu>>;
  /** Each clip's words and length; the sound is voices/<id>.wav. */
  clips: Readonly<Record<string, { text: string; seconds: number }>>;
  /** What callers say when they are answered, by number. */
  callerClips: Readonly<Record<string, string>>;
  /** Who comes by a link for guests; left out: nobody does. */
  guest?: string;
  /** What callers leave on a mailbox. */
  messageClip: string;
}
