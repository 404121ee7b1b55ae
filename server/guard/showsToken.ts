import { timingSafeEqual } from 'node:crypto';
import type { IncomingMessage } from 'node:http';

/** Whether a request shows that token (RFC 6750). */
export function showsToken({ headers }: Pick<IncomingMessage, 'headers'>, token: string): boolean {
  const [given, right] = [Buffer.from(headers.authorization ?? ''), Buffer.from(`Bearer ${token}`)];
  return given.length === right.length && timingSafeEqual(given, right);
}
