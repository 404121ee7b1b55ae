import type { IncomingMessage, Server } from 'node:http';
import type { Socket } from 'node:net';

import { createProxyMiddleware } from 'http-proxy-middleware';

import { linkPath } from '@/office/socket';

interface RelayOptions {
  server: Server;
  /** Whether the office that somebody asks for is open here. */
  isHere: (request: IncomingMessage) => boolean;
  /** Where whoever owns it is reached; null: nobody does now, or there is none. */
  findOwner: (request: IncomingMessage) => Promise<string | null>;
  /** Whether the server goes by that name, and lets in who comes from there: the owner sees this process alone. */
  isOwn: (request: IncomingMessage) => boolean;
}

/**
 * Hands connections of apps on to whichever process owns their office now; where none does, they come again. Gives what is called when one has
 * opened here: whoever was handed on comes again too.
 */
export function relayToOwner({ server, isHere, findOwner, isOwn }: RelayOptions): () => void {
  const owners = new WeakMap<IncomingMessage, string>();
  const relay = createProxyMiddleware<IncomingMessage>({
    router: (request) => owners.get(request),
    ...{ ws: true, xfwd: true, secure: false },
  });
  const relayed = new Map<Socket, IncomingMessage>();
  const upgrade = async (request: IncomingMessage, socket: Socket, head: Buffer) => {
    const isAsked = isOwn(request) && request.url?.startsWith(linkPath) === true;
    const owner = isAsked ? await findOwner(request).catch(() => null) : null;
    if (owner === null) return socket.destroy();
    owners.set(request, owner);
    relayed.set(socket, request);
    socket.once('close', () => relayed.delete(socket));
    relay.upgrade(request, socket, head);
  };
  server.on('upgrade', (request: IncomingMessage, socket: Socket, head: Buffer) => {
    if (!isHere(request)) void upgrade(request, socket, head);
  });
  return () => {
    for (const [socket, request] of relayed) if (isHere(request)) socket.destroy();
  };
}
