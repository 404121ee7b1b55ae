import { timingSafeEqual } from 'node:crypto';

import { Router, type Request, type RequestHandler } from 'express';
import ipaddr from 'ipaddr.js';

import type { Figures } from './Figures';

interface Watched {
  figures: Figures;
  /** Why the office can't be used now; null: it can. */
  fault: () => string | null;
  /** Who shows this may read the figures from elsewhere; null: nobody may. */
  token: string | null;
}

/** The same where the office is not open here: whoever is let in is handed on to its owner. */
export function waitingRoutes(findOwner: () => Promise<string | null>) {
  const of = (answer: RequestHandler) => Router().get('/', answer);
  return {
    '/healthz': of((_, response) => void response.type('text').send('It runs.\n')),
    '/readyz': of((_, response, next) => {
      findOwner().then((owner) => {
        response
          .status(owner === null ? 503 : 200)
          .type('text')
          .send(owner === null ? 'The office is not open.\n' : 'Another process has the office.\n');
      }, next);
    }),
  };
}

/** For whatever watches over the server: whether it runs, whether the office can be used, and how it fares. */
export function watchRoutes({ figures, fault, token }: Watched) {
  const of = (answer: RequestHandler) => Router().get('/', answer);
  return {
    '/healthz': of((_, response) => void response.type('text').send('It runs.\n')),
    '/readyz': of((_, response) => {
      const why = fault();
      response
        .status(why === null ? 200 : 503)
        .type('text')
        .send(`${why ?? 'The office can be used.'}\n`);
    }),
    '/metrics': of((request, response, next) => {
      if (!mayRead(request, token)) return void response.sendStatus(403);
      figures.text().then((text) => response.set('Content-Type', figures.contentType).send(text), next);
    }),
  };
}

function mayRead({ socket, headers }: Request, token: string | null): boolean {
  const from = socket.remoteAddress ?? '';
  // Through a proxy everybody comes from this machine.
  const isHere = ipaddr.isValid(from) && ipaddr.process(from).range() === 'loopback';
  if (isHere && headers['x-forwarded-for'] === undefined) return true;
  return token !== null && isSame(headers.authorization ?? '', `Bearer ${token}`);
}

function isSame(given: string, right: string): boolean {
  const [a, b] = [Buffer.from(given), Buffer.from(right)];
  return a.length === b.length && timingSafeEqual(a, b);
}
