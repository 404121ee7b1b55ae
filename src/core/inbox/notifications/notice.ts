import { z } from 'zod';

/** What can be told elsewhere, by mail and to other programs. */
export const noticeKinds = ['missedCall', 'voicemail', 'text'] as const;
export type NoticeKind = (typeof noticeKinds)[number];

/** Beside a number as it is written here: in the form of ITU-T E.164; null for an extension, or none. */
const e164 = z.string().max(20).nullable().optional();

export const noticeSchema = z.object({
  /** The same however often it is told: that of the record, voicemail or text. */
  id: z.string().min(1).max(200),
  kind: z.enum(noticeKinds),
  /** Epoch milliseconds. */
  at: z.number(),
  /** IANA zone of the office. */
  zone: z.string().max(60),
  /** Whom it was meant for. */
  forName: z.string().max(200),
  line: z.object({ name: z.string().max(200), number: z.string().max(40), e164 }).nullable(),
  /** `number` is null where it was withheld. */
  from: z.object({ name: z.string().max(200), number: z.string().max(40).nullable(), e164 }),
  /** Of a text, or of a voicemail that was transcribed. */
  words: z.string().max(100_000).nullable(),
  /** Of a voicemail, in milliseconds. */
  durationMs: z.number().nullable(),
  /** Of a voicemail: a WAV file as base64; null where its sound is not there. */
  soundWav: z.string().max(12_000_000).nullable(),
});
/** Something that happened to the worker's number, as it is told elsewhere. */
export type Notice = z.infer<typeof noticeSchema>;
