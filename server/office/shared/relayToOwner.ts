import type { IncomingMessage, Server } from 'node:http';
import type { Socket } from 'node:net';

import { createProxyMiddleware } from 'http-proxy-middleware';

import { linkPath } from '@/office/socket';

interface RelayOptions {
  server: Server;
  /** Where whoever owns the office is reached; null: nobody does now. */
  findOwner: () => Promise<string | null>;
  /** Whether the server goes by that name, and lets in who comes from there: the owner sees this process alone. */
  isOwn: (request: IncomingMessage) => boolean;
}

/** Hands connections of apps on to whichever process owns the office now; where none does, they come again. Gives what ends it. */
export function relayToOwner({ server, findOwner, isOwn }: RelayOptions): () => void {
  let owner = '';
  const relay = createProxyMiddleware({ router: () => owner, ws: true, xfwd: true, secure: false });
  const relayed = new Set<Socket>();
  const upgrade = async (request: IncomingMessage, socket: Socket, head: Buffer) => {
    const now = isOwn(request) && request.url?.startsWith(linkPath) ? await findOwner() : null;
    if (now === null) return socket.destroy();
    owner = now;
    relayed.add(socket);
    socket.once('close', () => relayed.delete(socket));
    relay.upgrade(request, socket, head);
  };
  const listener = (request: IncomingMessage, socket: Socket, head: Buffer) =>
    void upgrade(request, socket, head);
  server.on('upgrade', listener);
  return () => {
    server.off('upgrade', listener);
    // Their owner is gone: they come to this process next.
    for (const socket of relayed) socket.destroy();
  };
}
