import { createServer, type IncomingMessage, type Server } from 'node:http';
import type { Server as SecureServer } from 'node:https';
import type { Duplex } from 'node:stream';

import { Server as SocketServer } from 'socket.io';

import { linkPath } from '@/office/socket';

import type { Figures } from './Figures';
import type { OpenedOffice } from './openOffice';

/** Beyond what the largest file needs, nothing is read at all. */
const mostBytes = 9_000_000;
/**
 * Of RFC 7692: for setups and tables, not for what tells of one call, which costs more to compress than to send. Between such messages no
 * memory is held for it.
 */
const compression = {
  ...{ threshold: 8192, serverMaxWindowBits: 11 },
  ...{ serverNoContextTakeover: true, clientNoContextTakeover: true },
  zlibDeflateOptions: { level: 3, memLevel: 5, chunkSize: 4096 },
  zlibInflateOptions: { chunkSize: 4096 },
};

interface ServeOptions {
  /** Which office somebody asks for; null: none that is open here. */
  find: (request: IncomingMessage) => Pick<OpenedOffice, 'meet'> | null;
  /** Whether the server goes by that name, and lets in who comes from there. */
  isOwn: (request: IncomingMessage) => boolean;
  figures: Figures;
}

/** Serves the apps of offices by sockets, beside what the server serves; whoever asks for one that is not open here is left to others. Gives what ends it. */
export function serveOffices(
  server: Server | SecureServer,
  { find, isOwn, figures }: ServeOptions,
): () => Promise<void> {
  // It is asked for those alone whose office is here.
  const gate = createServer();
  const sockets = new SocketServer(gate, {
    ...{ path: linkPath, transports: ['websocket'], serveClient: false, maxHttpBufferSize: mostBytes },
    perMessageDeflate: compression,
    allowRequest: (request, answer) => {
      const isAllowed = isOwn(request) && isFromOwnPage(request);
      if (!isAllowed) figures.wasUnheard('another site');
      answer(null, isAllowed);
    },
  });
  sockets.on('connection', (socket) => {
    const office = find(socket.request);
    if (office) office.meet(socket);
    else socket.conn.close();
  });
  const upgrade = (request: IncomingMessage, socket: Duplex, head: Buffer) => {
    if (find(request)) gate.emit('upgrade', request, socket, head);
  };
  server.on('upgrade', upgrade);
  return async () => {
    server.off('upgrade', upgrade);
    sockets.engine.close();
  };
}

/** A page of another site is not let in, whatever it knows. */
function isFromOwnPage({ headers }: IncomingMessage): boolean {
  const { origin, host } = headers;
  return origin === undefined || origin.replace(/^https?:\/\//, '') === host;
}
