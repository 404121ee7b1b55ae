import { Router, type Request, type RequestHandler } from 'express';
import ipaddr from 'ipaddr.js';

import { showsToken } from '../guard/showsToken';
import type { Figures } from './Figures';

interface Watched {
  figures: Figures;
  /** Why an office can't be used now, of each that is to be; null: it can. */
  faults: () => Promise<(string | null)[]>;
  /** Who shows this may read the figures from elsewhere; null: nobody may. */
  token: string | null;
}

/** For whatever watches over the server: whether it runs, whether its offices can be used, and how they fare. */
export function watchRoutes({ figures, faults, token }: Watched) {
  const of = (answer: RequestHandler) => Router().get('/', answer);
  return {
    '/healthz': of((_, response) => void response.type('text').send('It runs.\n')),
    '/readyz': of((_, response, next) => {
      faults().then((all) => {
        const why = all.find((each) => each !== null) ?? null;
        response
          .status(why === null ? 200 : 503)
          .type('text')
          .send(`${why ?? 'The office can be used.'}\n`);
      }, next);
    }),
    '/metrics': of((request, response, next) => {
      if (!mayRead(request, token)) return void response.sendStatus(403);
      figures.text().then((text) => response.set('Content-Type', figures.contentType).send(text), next);
    }),
  };
}

function mayRead(request: Request, token: string | null): boolean {
  const from = request.socket.remoteAddress ?? '';
  // Through a proxy everybody comes from this machine.
  const isHere = ipaddr.isValid(from) && ipaddr.process(from).range() === 'loopback';
  if (isHere && request.headers['x-forwarded-for'] === undefined) return true;
  return token !== null && showsToken(request, token);
}
