import { z } from 'zod';

import { noticeKinds, type NoticeKind } from './notice';

const kinds = z.array(z.enum(noticeKinds));

export const mailSchema = z.object({ kind: z.literal('mail'), address: z.email().max(254) });
export const webhookSchema = z.object({
  kind: z.literal('webhook'),
  url: z.url({ protocol: /^https?$/ }).max(2000),
  /** What both sides know: `whsec_` and 24 to 64 bytes as base64 (Standard Webhooks, "Signature scheme"). */
  secret: z.string().regex(/^whsec_[A-Za-z0-9+/]{32,88}={0,2}$/),
});
/** One place that is told. */
export const placeSchema = z.discriminatedUnion('kind', [mailSchema, webhookSchema]);
export type Place = z.infer<typeof placeSchema>;

export const destinationSchema = z.object({ id: z.string(), place: placeSchema, kinds });
/** A place, and what is told there. */
export type Destination = z.infer<typeof destinationSchema>;

/** Which of them are told of that kind. */
export const toldOf = (destinations: readonly Destination[], kind: NoticeKind): Destination[] =>
  destinations.filter(({ kinds }) => kinds.includes(kind));

export type Checked<T> = { ok: true; value: T } | { ok: false; sentence: string };

/** A mail address as typed. */
export function checkMailAddress(text: string): Checked<string> {
  const address = text.trim();
  if (mailSchema.shape.address.safeParse(address).success) return { ok: true, value: address };
  return { ok: false, sentence: 'That is not a mail address: it looks like name@place.example.' };
}

/** A webhook's address as typed. An address inside a network is let through here: whether it is allowed, the server says. */
export function checkWebhookUrl(text: string): Checked<string> {
  const typed = text.trim();
  if (!/^https?:\/\//i.test(typed)) return no('The address begins with https:// (or http://).');
  if (!webhookSchema.shape.url.safeParse(typed).success)
    return no('That is not the address of a web server.');
  if (/^https?:\/\/[^/]*@/i.test(typed)) return no('Leave out the name and password before the @.');
  return { ok: true, value: typed };
}

const no = (sentence: string) => ({ ok: false as const, sentence });
