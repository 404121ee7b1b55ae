import { spawn, type ChildProcess } from 'node:child_process';
import { createSocket } from 'node:dgram';
import { mkdtempSync, rmSync } from 'node:fs';
import { networkInterfaces, tmpdir } from 'node:os';
import { join } from 'node:path';

import { freePort } from './servedOffice';

/** A relay for voices (RFC 8656) of the test's own: Debian's coturn, on an address of this machine that browsers take candidates of. */
export class TurnServer {
  private server: ChildProcess | null = null;
  private readonly folder = mkdtempSync(join(tmpdir(), 'cendro-turn-'));
  /** As `CENDRO_ICE` wants it. */
  iceServers = '[]';

  /** `mostBytesPerSecond`: what each end may send through it, and get from it; what is more is lost, as on a narrow way. */
  async start(mostBytesPerSecond?: number): Promise<void> {
    const [here = '127.0.0.1'] = Object.values(networkInterfaces())
      .flatMap((all) => all ?? [])
      .flatMap(({ family, internal, address }) => (family === 'IPv4' && !internal ? [address] : []));
    const port = await freePort();
    const server = spawn(
      'turnserver',
      [
        ...['-n', '--log-file', 'stdout', '--simple-log', '--no-tls', '--no-dtls', '--no-cli'],
        ...['--listening-ip', here, '--relay-ip', here, '--listening-port', String(port)],
        ...['--realm', 'cendro.test', '--lt-cred-mech', '--user', 'office:weir'],
        ...(mostBytesPerSecond === undefined ? [] : [`--max-bps=${mostBytesPerSecond}`]),
        ...['--pidfile', join(this.folder, 'pid'), '--db', join(this.folder, 'db')],
      ],
      { stdio: ['ignore', 'pipe', 'pipe'] },
    );
    this.server = server;
    let said = '';
    for (const stream of [server.stdout, server.stderr])
      stream.on('data', (more: Buffer) => void (said += more.toString()));
    const isOver = new Promise<never>((_, reject) => {
      server.on('exit', () => reject(new Error(`The relay did not start:\n${said}`)));
    });
    await Promise.race([answers(here, port), isOver]);
    const at = `${here}:${port}`;
    this.iceServers = JSON.stringify([
      { urls: `stun:${at}` },
      { urls: `turn:${at}?transport=udp`, username: 'office', credential: 'weir' },
    ]);
  }

  end(): void {
    this.server?.kill('SIGKILL');
    rmSync(this.folder, { recursive: true, force: true });
  }
}

/** Resolves once there is an answer to what a browser would ask (STUN Binding, RFC 8489 §5). */
function answers(host: string, port: number): Promise<void> {
  const question = Buffer.alloc(20);
  question.writeUInt16BE(0x0001, 0);
  question.writeUInt32BE(0x2112a442, 4);
  const socket = createSocket('udp4');
  const asking = setInterval(() => socket.send(question, port, host), 100);
  return new Promise((resolve) => {
    socket.once('message', () => {
      clearInterval(asking);
      socket.close();
      resolve();
    });
  });
}
