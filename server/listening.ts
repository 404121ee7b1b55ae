import type { Server } from 'node:net';
import { networkInterfaces } from 'node:os';

/** Listens on the given port or, where it is taken, on the next free one up to the last. Gives which. */
export function listen(server: Server, port: number, last: number): Promise<number> {
  return new Promise((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      if (error.code === 'EADDRINUSE' && port < last) resolve(listen(server, port + 1, last));
      else reject(error);
    });
    server.listen(port, () => resolve(port));
  });
}

/** The addresses under which others in the same network reach this machine. */
export function addressesOfThisMachine(): string[] {
  return Object.values(networkInterfaces())
    .flatMap((addresses) => addresses ?? [])
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address);
}
