import { z } from 'zod';

/** The path under which sockets are met. */
export const linkPath = '/api/link';

/** Something said at a named end of a channel. */
export const saidSchema = z.tuple([z.string().max(300), z.unknown()]);

/**
 * That whoever comes has a key of their device: its public half (SPKI, base64url), and what a connection is asked, signed with the other half
 * (ECDSA P-256 with SHA-256, r and s one after the other, base64url).
 */
export const deviceProofSchema = z.object({ key: z.string().max(200), signature: z.string().max(200) });
export type DeviceProof = z.infer<typeof deviceProofSchema>;

/** What is signed for that. `challenge`: what the connection was asked when it was made, and no other one is. `token`: by which the device is signed in. */
export const signedByDevice = (challenge: string, app: string, token: string): Uint8Array<ArrayBuffer> =>
  new TextEncoder().encode(JSON.stringify(['cendro/join', challenge, app, token]));

const key = z.string().min(1).max(300);

/** What an app asks of what is kept beside the rows: which keys there are, what stands under them, and that something be kept. */
export const askedOfFilesSchema = z.discriminatedUnion('what', [
  z.object({ what: z.literal('keys'), prefix: z.string().max(300) }),
  z.object({ what: z.literal('read'), keys: z.array(key).max(500) }),
  z.object({ what: z.literal('write'), entries: z.record(key, z.string()) }),
  /** The next piece of a sound that is being made in a call: one channel, 8,000 samples a second of 16 bits, the lower byte first. */
  z.object({
    what: z.literal('append'),
    id: z.string().min(1).max(200),
    callId: z.string().max(200),
    /** By whom it is made: when it was begun (epoch milliseconds) and a name, so that those of one who went on come after those of the one before. */
    take: z.string().regex(/^\d{13}-[0-9a-f]{8}$/),
    number: z.number().int().min(0).max(3_600),
    pcm: z.base64().max(400_000),
    /** Places that are marked, in seconds from where whoever makes it began; left out by earlier versions. */
    marks: z
      .array(z.object({ atSeconds: z.number().min(0).max(36_000), text: z.string().max(80) }))
      .max(100)
      .default([]),
  }),
]);
export type AskedOfFiles = z.infer<typeof askedOfFilesSchema>;

/** What is answered, by what was asked; or why it is not done. */
export const answerOfFilesSchema = z.union([
  z.object({ keys: z.array(z.string()) }),
  z.object({ texts: z.record(z.string(), z.string()) }),
  z.object({ kept: z.literal(true) }),
  z.object({ refused: z.string() }),
]);
export type AnswerOfFiles = z.infer<typeof answerOfFilesSchema>;

/** What an app asks of where its person is told elsewhere: which places are known to be theirs, to have a code sent there, and whether that is it. */
export const askedOfTellingSchema = z.discriminatedUnion('what', [
  z.object({ what: z.literal('places') }),
  /** `place`: as `core/inbox/notifications` has them; what that is, the server looks at. */
  z.object({ what: z.literal('sendCode'), place: z.unknown() }),
  z.object({ what: z.literal('confirm'), place: z.unknown(), code: z.string().max(20) }),
  /** Somebody outside is asked by mail to a meeting that the person is in, by the link of that token. */
  z.object({ what: z.literal('invite'), token: z.string().max(100), to: z.string().max(254) }),
]);
export type AskedOfTelling = z.infer<typeof askedOfTellingSchema>;

export const answerOfTellingSchema = z.union([
  z.object({
    /** The ids of those that are. */
    confirmed: z.array(z.string()),
    /** Whether the office has a mail server. */
    sendsMail: z.boolean(),
  }),
  z.object({ done: z.literal(true) }),
  z.object({ refused: z.string() }),
]);
export type AnswerOfTelling = z.infer<typeof answerOfTellingSchema>;

/** Words that an app asks to have spoken, and in which language they are (a tag of BCP 47). */
export const askedOfSpeechSchema = z.object({
  text: z.string().min(1).max(1_000),
  language: z.string().regex(/^[a-zA-Z]{2,3}(-[a-zA-Z0-9]{2,8})*$/),
});
export type AskedOfSpeech = z.infer<typeof askedOfSpeechSchema>;

const legId = z.string().min(1).max(200);
/** What browsers say to each other before they hear each other (RFC 8829): a description, or a way to be reached. */
const signalSchema = z
  .unknown()
  .refine((signal) => JSON.stringify(signal ?? null).length <= 40_000, 'That is too long for a description.');

/** What an app asks of the place where voices find each other. */
export const askedOfVoicesSchema = z.discriminatedUnion('what', [
  /** To be the browser that speaks and hears at that end of a call. `by`: the page, also when it has connected anew. */
  z.object({
    what: z.literal('take'),
    legId,
    by: z.string().min(1).max(40),
    /** What the browser calls itself: “Chrome, Android”. */
    name: z.string().max(80),
    /** In the place of another browser of the same person. */
    instead: z.boolean(),
  }),
  z.object({ what: z.literal('drop'), legId }),
  /** By which servers browsers find a way to each other. */
  z.object({ what: z.literal('servers') }),
  z.object({ what: z.literal('signal'), from: legId, to: legId, signal: signalSchema }),
]);
export type AskedOfVoices = z.infer<typeof askedOfVoicesSchema>;

const iceServerSchema = z.object({
  urls: z.union([z.string(), z.array(z.string())]),
  username: z.string().optional(),
  credential: z.string().optional(),
});
/** Servers by which browsers find a way to each other (RFC 8489 STUN, RFC 8656 TURN). */
export const iceServersSchema = z.array(iceServerSchema);
export type IceServers = z.infer<typeof iceServersSchema>;

export const answerOfVoicesSchema = z.object({
  /** Whether it was done: not where another browser speaks there, or it is not theirs. */
  done: z.boolean(),
  /** The browser that speaks there instead; null: none does. */
  speaks: z.string().nullable().default(null),
  iceServers: iceServersSchema.default([]),
  /** Voices are to go by a relay alone. */
  relayOnly: z.boolean().default(false),
});
export type AnswerOfVoices = z.infer<typeof answerOfVoicesSchema>;

/** What the place where voices find each other tells who speaks there. */
export const toldOfVoicesSchema = z.discriminatedUnion('kind', [
  /** At which other ends of the call there is a browser, and which page it is. */
  z.object({
    kind: z.literal('peers'),
    legId,
    peers: z.array(z.object({ legId, by: z.string() })),
    /** The office forwards: as soon as all are connected to it (`opening`), nobody is to another one any more (`settled`). */
    forwarded: z.enum(['opening', 'settled']).optional(),
  }),
  z.object({ kind: z.literal('signal'), from: legId, to: legId, signal: z.unknown() }),
  /** Another browser of the same person speaks there from now on. */
  z.object({ kind: z.literal('instead'), legId, name: z.string() }),
]);
export type ToldOfVoices = z.infer<typeof toldOfVoicesSchema>;
