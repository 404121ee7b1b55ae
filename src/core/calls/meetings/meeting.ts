import { z } from 'zod';

export const pictureKinds = ['camera', 'screen'] as const;
export type PictureKind = (typeof pictureKinds)[number];

export const reactions = ['yes', 'no', 'well done', 'thanks', 'slower'] as const;
export type Reaction = (typeof reactions)[number];

export const meetingLimits = {
  /** Pictures at once, each of which goes from its sender to everybody who sees it (mesh). */
  pictures: 4,
  /** So long somebody's reaction stays, in milliseconds. */
  reactionMs: 6_000,
} as const;

export const pictureSchema = z.object({
  id: z.string(),
  legId: z.string(),
  kind: z.enum(pictureKinds),
  /** Epoch milliseconds, as all times here. */
  at: z.number(),
});
export type Picture = z.infer<typeof pictureSchema>;

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
});
export type Meeting = z.infer<typeof meetingSchema>;

const otherLegId = z.string();
/** What somebody who is in a meeting may do in it. */
export const meetingActSchema = z.discriminatedUnion('act', [
  z.object({ act: z.literal('show'), kind: z.enum(pictureKinds) }),
  z.object({ act: z.literal('stopShowing'), pictureId: z.string() }),
  /** They see the meeting on a screen beside the phone that they talk with. */
  z.object({ act: z.literal('openBeside') }),
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
  | 'notInCall';
