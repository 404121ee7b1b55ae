import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { createServer as createHttpServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';

import { createServer } from './createServer';

describe('the server', () => {
  const dist = mkdtempSync(join(tmpdir(), 'cendro-dist-'));
  let server: Server;
  let address = '';

  beforeAll(async () => {
    mkdirSync(join(dist, '_expo/static'), { recursive: true });
    writeFileSync(join(dist, 'index.html'), '<title>Cendro</title>');
    writeFileSync(join(dist, '_expo/static/entry-1.js'), 'let a = 1;');
    writeFileSync(join(dist, '_expo/static/entry-1.js.gz'), gzipSync('let a = 1;'));
    server = createHttpServer(createServer(dist));
    await new Promise<void>((resolve) => server.listen(0, resolve));
    address = `http://localhost:${(server.address() as AddressInfo).port}`;
  });
  afterAll(() => server.close());

  it('answers any address of the app with the app, never cached for good', async () => {
    for (const path of ['/', '/dial', '/everything/c1-maren']) {
      const response = await fetch(`${address}${path}`);
      expect(await response.text()).toContain('Cendro');
      expect(response.headers.get('cache-control')).toBe('no-cache');
    }
  });

  it('answers to HEAD as to GET', async () => {
    expect((await fetch(`${address}/dial`, { method: 'HEAD' })).status).toBe(200);
  });

  it('says that a missing file is missing', async () => {
    expect((await fetch(`${address}/voices/nobody.wav`)).status).toBe(404);
    expect((await fetch(`${address}/dial`, { method: 'POST' })).status).toBe(404);
  });

  it('sends what has a hash in its name compressed, to be kept for good', async () => {
    const response = await fetch(`${address}/_expo/static/entry-1.js`, {
      headers: { 'accept-encoding': 'gzip' },
    });
    expect(await response.text()).toBe('let a = 1;');
    expect(response.headers.get('content-encoding')).toBe('gzip');
    expect(response.headers.get('cache-control')).toContain('immutable');
  });

  it('lets the page load from here only, and run nothing inline', async () => {
    const policy = (await fetch(address)).headers.get('content-security-policy') ?? '';
    expect(policy).toContain("default-src 'none'");
    expect(policy).toContain("script-src 'self';");
    expect(policy).not.toMatch(/unsafe|upgrade-insecure|\*/);
  });
});
