import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import { freePort } from './servedOffice';

/** A store that several processes share, which writes everything down before it says so. */
export class RedisServer {
  private readonly folder = mkdtempSync(join(tmpdir(), 'cendro-redis-'));
  private server: ChildProcess | null = null;

  /** Gives where it is reached. */
  async start(): Promise<string> {
    const port = await freePort();
    const settings = { port: String(port), dir: this.folder, bind: '127.0.0.1', save: '' };
    const durable = { appendonly: 'yes', appendfsync: 'always' };
    const server = spawn(
      'redis-server',
      Object.entries({ ...settings, ...durable }).flatMap(([name, value]) => [`--${name}`, value]),
    );
    this.server = server;
    await new Promise<void>((resolve, reject) => {
      server.once('error', reject);
      server.stdout.on('data', (said: Buffer) => {
        if (said.includes('Ready to accept connections')) resolve();
      });
    });
    return `redis://127.0.0.1:${port}`;
  }

  end(): void {
    this.server?.kill('SIGKILL');
    rmSync(this.folder, { recursive: true, force: true });
  }
}
