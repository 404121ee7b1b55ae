import type { RequestHandler } from 'express';
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';

/**
 * Bodies in memory: each no longer than `mostEach` bytes, which it has to say before it is read, and all that are on their way
 * no longer than `mostTogether`. Who comes too many at once is asked to come again.
 */
export function bodyBudget(mostEach: number, mostTogether: number): RequestHandler {
  let underway = 0;
  return (request, response, next) => {
    const said = request.headers['content-length'];
    if (said === undefined) return void response.sendStatus(411);
    const length = Number(said);
    if (!(length <= mostEach)) return void response.sendStatus(413);
    if (underway + length > mostTogether) return void response.set('Retry-After', '1').sendStatus(503);
    underway += length;
    response.once('close', () => (underway -= length));
    next();
  };
}

/** So many requests of one address within a minute; more are asked to wait. */
export function perMinute(points: number): RequestHandler {
  const limiter = new RateLimiterMemory({ points, duration: 60 });
  return async (request, response, next) => {
    const waits = await limiter.consume(request.socket.remoteAddress ?? '').then(
      () => null,
      (refused: unknown) => (refused instanceof RateLimiterRes ? refused.msBeforeNext : 1_000),
    );
    if (waits === null) return next();
    response.set('Retry-After', String(Math.ceil(waits / 1000))).sendStatus(429);
  };
}
