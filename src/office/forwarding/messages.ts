import { z } from 'zod';

import { forwardLimits } from '@/core/calls/forwarding';
import type { PictureKind } from '@/core/calls/meetings';

/** In the place of a leg’s, what browsers and the office say to each other where the office forwards. */
export const officeEnd = 'office';

/** A camera comes in two sizes (RFC 8853), each under its name (RFC 8852: RtpStreamId). */
export const cameraSizes = ['s', 'l'] as const;
export type CameraSize = (typeof cameraSizes)[number];

const places = <T>(count: number, made: T): T[] => Array.from({ length: count }, () => made);

/** What stands at which place of the description that a browser offers, in this order; from the browser’s side. */
export const layout = [
  { media: 'audio', direction: 'sendonly', carries: 'voice' },
  ...places(forwardLimits.voices, { media: 'audio', direction: 'recvonly', carries: 'voices' } as const),
  { media: 'video', direction: 'sendonly', carries: 'camera' },
  { media: 'video', direction: 'sendonly', carries: 'screen' },
  ...places(forwardLimits.pictures, { media: 'video', direction: 'recvonly', carries: 'pictures' } as const),
] as const;

const pictureOfSchema = z.object({ legId: z.string().max(40), kind: z.enum(['camera', 'screen']) });
/** A picture that somebody shows. */
export type PictureOf = z.infer<typeof pictureOfSchema>;

/** `rows`: of the screen on which it is looked at. */
const wantSchema = pictureOfSchema.extend({ rows: z.number().int().min(1).max(10_000) });
export type Want = z.infer<typeof wantSchema>;

/** What a browser says to the office. */
export const toOfficeSchema = z.union([
  /** A new connection, in the place of any before. */
  z.object({ offer: z.object({ sdp: z.string().max(40_000) }) }),
  z.object({
    candidate: z
      .object({
        candidate: z.string().max(1_000),
        sdpMid: z.string().nullish(),
        sdpMLineIndex: z.number().nullish(),
      })
      .nullable(),
  }),
  /** Which pictures it looks at, by the places where they are to come. */
  z.object({ wants: z.array(wantSchema.nullable()).max(forwardLimits.pictures) }),
]);
export type ToOffice = z.infer<typeof toOfficeSchema>;

/** What the office says to a browser. */
export type FromOffice =
  | { answer: { sdp: string } }
  /** Whose voices come at which places. */
  | { voices: readonly (string | null)[] }
  /** Which pictures come at which places, once they do. */
  | { gives: readonly (PictureOf | null)[] }
  /** How large its own are looked at, by those who look at them in the most rows; 0: nobody does. */
  | { looked: Record<PictureKind, number> }
  /** The office has lost the connection: it is to be made anew. */
  | { again: true };
