import ipaddr from 'ipaddr.js';
import type { RequestHandler } from 'express';
import { hostname } from 'node:os';

import { isPublicAddress } from './isPublicAddress';

/** The name in a Host header, without its port; null where it is none. */
function nameOf(host: string | undefined): string | null {
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
export function onlyOwnNames(names: readonly string[] = [], isPublic = false): RequestHandler {
  const own = hostname().toLowerCase();
  const known = new Set(['localhost', own, `${own}.local`, ...names.map((name) => name.toLowerCase())]);
  return (request, response, next) => {
    const name = nameOf(request.headers.host);
    const isOwn = name !== null && (known.has(name) || ipaddr.isValid(name));
    if (!isOwn) return void response.status(421).type('text').send('This server does not go by that name.');
    const from = request.socket.remoteAddress ?? '';
    if (!isPublic && isPublicAddress(from))
      return void response.status(403).type('text').send('Only who is in the same network is let in.');
    next();
  };
}

/** Only pages of this very server, and programs that are no browsers, may ask: no other site's page. */
export const notFromAnotherSite: RequestHandler = (request, response, next) => {
  const site = request.get('sec-fetch-site') ?? 'same-origin';
  const origin = request.get('origin');
  const isOwn = origin === undefined || origin.replace(/^https?:\/\//, '') === request.headers.host;
  if (isOwn && ['same-origin', 'none'].includes(site)) return next();
  response.sendStatus(403);
};
