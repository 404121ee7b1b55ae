import { hmac } from '@noble/hashes/hmac';
import { sha256 } from '@noble/hashes/sha2';
import { utf8ToBytes } from '@noble/hashes/utils';
import { base64ToUint8Array, uint8ArrayToBase64 } from 'uint8array-extras';

const secretPrefix = 'whsec_';
/** A receiver takes nothing whose time is further from its own than so. */
const toleranceSeconds = 5 * 60;

/** A secret of 24 random bytes, in its written form. */
export const writtenSecret = (bytes: Uint8Array): string => secretPrefix + uint8ArrayToBase64(bytes);

/**
 * `v1,` and the HMAC-SHA256 of id, time (epoch seconds) and body, parted by dots, as base64 (Standard Webhooks, "Signature
 * scheme"). Nobody who doesn't know the secret can make it, and it fits no other body, id or time.
 */
export function signatureOf(secret: string, id: string, seconds: number, body: string): string {
  const key = base64ToUint8Array(secret.slice(secretPrefix.length));
  return `v1,${uint8ArrayToBase64(hmac(sha256, key, utf8ToBytes(`${id}.${seconds}.${body}`)))}`;
}

export type Signed = { id: string; timestamp: string; signature: string; body: string };

/** Whether a received webhook is from who knows the secret, and of now. */
export function signatureHolds(
  secret: string,
  { id, timestamp, signature, body }: Signed,
  nowSeconds: number,
) {
  const seconds = Number(timestamp);
  if (!(Math.abs(nowSeconds - seconds) <= toleranceSeconds)) return false;
  const wanted = signatureOf(secret, id, seconds, body);
  return signature.split(' ').some((given) => sameText(given, wanted));
}

/** Takes as long however much of it is right. */
function sameText(a: string, b: string): boolean {
  let differing = a.length ^ b.length;
  for (let at = 0; at < b.length; at++) differing |= (a.charCodeAt(at) || 0) ^ b.charCodeAt(at);
  return differing === 0;
}
