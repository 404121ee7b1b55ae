import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** An office on a server of the test's own, which can be killed and begun again where it was. */
export class ServedOffice {
  private server: ChildProcess | null = null;
  private readonly folder = mkdtempSync(join(tmpdir(), 'cendro-office-'));
  private port = 0;
  /** The link and PIN that it has given whoever runs it. */
  wayIn: { path: string; pin: string } | null = null;

  get address(): string {
    return `http://localhost:${this.port}`;
  }

  async start(env: Record<string, string> = {}, args: readonly string[] = []): Promise<void> {
    this.port ||= await freePort();
    const server = spawn(
      join(process.cwd(), 'node_modules/.bin/tsx'),
      ['--tsconfig', 'tsconfig.json', 'server/office.mts', '--http', ...args],
      {
        env: { ...process.env, CENDRO_DATA: this.folder, PORT: String(this.port), ...env },
        // With whatever it is run by, so that it can be killed as a whole.
        detached: true,
      },
    );
    this.server = server;
    const said = await new Promise<string>((resolve, reject) => {
      let words = '';
      const hear = (more: Buffer) => {
        words += more.toString();
        if (words.includes('Ctrl-C ends it.')) resolve(words);
      };
      server.stdout.on('data', hear);
      server.stderr.on('data', hear);
      server.on('exit', () => reject(new Error(`The office did not start:\n${words}`)));
    });
    const path = /(\/join\?code=\S+)/.exec(said)?.[1];
    const pin = /with the PIN (\d+)/.exec(said)?.[1];
    if (path !== undefined && pin !== undefined) this.wayIn = { path, pin };
  }

  /** In the middle of whatever it does. */
  async kill(): Promise<void> {
    const { server } = this;
    if (server?.pid === undefined || server.exitCode !== null) return;
    const isOver = new Promise((resolve) => server.once('exit', resolve));
    process.kill(-server.pid, 'SIGKILL');
    await isOver;
  }

  async end(): Promise<void> {
    await this.kill();
    rmSync(this.folder, { recursive: true, force: true });
  }
}

export function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer().listen(0, () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });
}
