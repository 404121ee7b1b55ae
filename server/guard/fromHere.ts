import ipaddr from 'ipaddr.js';
import type { RequestHandler } from 'express';
import type { IncomingMessage } from 'node:http';
import { hostname } from 'node:os';

import { isPublicAddress } from './isPublicAddress';

/** Whom a server serves besides its machine and the network it is in. */
export interface Reach {
  /** Names it goes by besides its machine's. */
  names?: readonly string[];
  /** Whether who is outside the network is let in. */
  isPublic?: boolean;
}

/** The name in a Host header, without its port; null where it is none. */
export function nameOf(host: string | undefined): string | null {
  try {
    return new URL(`http://${host ?? ''}`).hostname.replace(/^\[|\]$/g, '').toLowerCase();
  } catch {
    return null;
  }
}

/**
 * Lets in who asks this server by an address of its own: a name that somebody else owns could be made to lead here ("DNS
 * rebinding"), an IP address could not. And, unless it is meant to be public, only who is in the same network.
 */
export function onlyOwnNames(reach: Reach = {}): RequestHandler {
  return (request, response, next) => {
    if (!goesByThatName(request, reach))
      return void response.status(421).type('text').send('This server does not go by that name.');
    if (!isLetIn(request, reach))
      return void response.status(403).type('text').send('Only who is in the same network is let in.');
    next();
  };
}

/** The same for what is no request of Express, such as a socket’s. */
export const isOwnRequest = (request: IncomingMessage, reach: Reach): boolean =>
  goesByThatName(request, reach) && isLetIn(request, reach);

function goesByThatName({ headers }: IncomingMessage, { names = [] }: Reach): boolean {
  const own = hostname().toLowerCase();
  const known = ['localhost', own, `${own}.local`, ...names.map((name) => name.toLowerCase())];
  const name = nameOf(headers.host);
  return name !== null && (known.includes(name) || ipaddr.isValid(name));
}

const isLetIn = ({ socket }: IncomingMessage, { isPublic = false }: Reach): boolean =>
  isPublic || !isPublicAddress(socket.remoteAddress ?? '');

/** Only pages of this very server, and programs that are no browsers, may ask: no other site's page. */
export const notFromAnotherSite: RequestHandler = (request, response, next) => {
  const site = request.get('sec-fetch-site') ?? 'same-origin';
  const origin = request.get('origin');
  const isOwn = origin === undefined || origin.replace(/^https?:\/\//, '') === request.headers.host;
  if (isOwn && ['same-origin', 'none'].includes(site)) return next();
  response.sendStatus(403);
};
