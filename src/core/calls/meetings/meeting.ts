import { z } from 'zod';

export const pictureKinds = ['camera', 'screen'] as const;
export type PictureKind = (typeof pictureKinds)[number];

export const reactions = ['yes', 'no', 'well done', 'thanks', 'slower'] as const;
export type Reaction = (typeof reactions)[number];

export const meetingLimits = {
  /** Pictures at once. */
  pictures: 25,
  /** Who is there at once, by sound or picture. */
  parties: 100,
  /** So long somebody's reaction stays, in milliseconds. */
  reactionMs: 6_000,
  /** So long a link lets somebody come, in milliseconds. */
  linkMs: 2 * 60 * 60_000,
  /** Those who wait to be let in. */
  waiting: 20,
} as const;

export const pictureSchema = z.object({
  id: z.string(),
  legId: z.string(),
  kind: z.enum(pictureKinds),
  /** Epoch milliseconds, as all times here. */
  at: z.number(),
});
export type Picture = z.infer<typeof pictureSchema>;

/** By a link somebody comes who has no phone of the office, or sees what their own phone can’t show. */
const linkSchema = z.object({
  /** Whoever knows it may come: at least 128 bits that nobody guesses, in base64url. */
  token: z.string().regex(/^[A-Za-z0-9_-]{22,64}$/),
  until: z.number(),
  /** It is the screen beside the phone at that end; null: whoever comes by it is a guest. */
  forLegId: z.string().nullable(),
  /** Whose browser has it open beside that phone now; null: nobody’s. */
  openAt: z.string().nullable(),
});
export type MeetingLink = z.infer<typeof linkSchema>;

/** Somebody outside who has come by a link, and is in no call yet. */
const waitingSchema = z.object({ guestId: z.string(), name: z.string(), at: z.number() });
export type Waiting = z.infer<typeof waitingSchema>;

/** What a meeting adds to the call that its people talk in. Everybody in it is known by their leg of the call. */
export const meetingSchema = z.object({
  begunAt: z.number(),
  /** Who began it, and whom they made host: who decides in it follows from that, and from who is there (`hostsAmong`). */
  hostLegIds: z.array(z.string()),
  /** Nobody else comes in. */
  isLocked: z.boolean(),
  /** At a phone, with a screen beside it on which the meeting is seen. */
  besideLegIds: z.array(z.string()),
  /** In the order in which they were shown. */
  pictures: z.array(pictureSchema),
  /** Raised, whoever was first first. */
  hands: z.array(z.object({ legId: z.string(), at: z.number() })),
  /** The last of each, as long as it is shown. */
  reactions: z.array(z.object({ legId: z.string(), at: z.number(), reaction: z.enum(reactions) })),
  /** Left out by earlier versions, as who waits. */
  links: z.array(linkSchema).default([]),
  /** Who wants to be let in, whoever came first first. */
  waiting: z.array(waitingSchema).default([]),
});
export type Meeting = z.infer<typeof meetingSchema>;

const otherLegId = z.string();
/** What somebody who is in a meeting may do in it. */
export const meetingActSchema = z.discriminatedUnion('act', [
  z.object({ act: z.literal('show'), kind: z.enum(pictureKinds) }),
  z.object({ act: z.literal('stopShowing'), pictureId: z.string() }),
  /** They see the meeting on a screen beside the phone that they talk with. */
  z.object({ act: z.literal('openBeside') }),
  /** That screen is closed. */
  z.object({ act: z.literal('closeBeside') }),
  /** Whoever has it comes by it from now on; another one for the same end is not good any more. */
  z.object({ act: z.literal('giveLink'), ...linkSchema.pick({ token: true, forLegId: true }).shape }),
  z.object({ act: z.literal('endLink'), token: z.string() }),
  z.object({ act: z.literal('letIn'), guestId: z.string() }),
  z.object({ act: z.literal('turnAway'), guestId: z.string() }),
  z.object({ act: z.literal('raiseHand') }),
  /** One's own, or as a host anybody's. */
  z.object({ act: z.literal('lowerHand'), otherLegId }),
  z.object({ act: z.literal('react'), reaction: z.enum(reactions) }),
  z.object({ act: z.literal('setLock'), isLocked: z.boolean() }),
  z.object({ act: z.literal('makeHost'), otherLegId }),
  z.object({ act: z.literal('muteOthers') }),
  z.object({ act: z.literal('end') }),
]);
export type MeetingAct = z.infer<typeof meetingActSchema>;

/** Why something is not done in a meeting; nothing has changed then. */
export type MeetingDenial =
  /** It is for a host. */
  | 'hostOnly'
  /** At a plain phone nothing is shown. */
  | 'soundOnly'
  | 'picturesFull'
  | 'unknownPicture'
  /** A link is given by whoever is at a phone of the office, and to a phone outside. */
  | 'onlyDevice'
  | 'onlyOutside'
  /** Nobody who waits is that; they have gone again. */
  | 'nobodyWaits'
  | 'notInCall';
