import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { EventEmitter } from 'node:events';
import { createServer as createHttpServer, get, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';

import type { RequestHandler, Response } from 'express';

import { createServer } from './createServer';
import { bodyBudget, perMinute } from './guard/limits';
import { Shelf } from './standins/Shelf';

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
    // WebAssembly alone: what suppresses noise is that.
    expect(policy).toContain("script-src 'self' 'wasm-unsafe-eval';");
    expect(policy.replace("'wasm-unsafe-eval'", '')).not.toMatch(/unsafe|upgrade-insecure|\*/);
  });

  it('answers to no name but its own, so that none can be made to lead here', async () => {
    const { port } = server.address() as AddressInfo;
    const statusFor = (host: string) =>
      new Promise<number | undefined>((resolve, reject) => {
        get({ port, host: 'localhost', headers: { host } }, (response) => {
          response.resume();
          resolve(response.statusCode);
        }).on('error', reject);
      });
    expect(await statusFor('localhost:1')).toBe(200);
    expect(await statusFor('192.168.1.20:4310')).toBe(200);
    expect(await statusFor('[::1]:4310')).toBe(200);
    expect(await statusFor('elsewhere.example')).toBe(421);
    expect(await statusFor('localhost.elsewhere.example')).toBe(421);
  });
});

describe('the shelf of what came in', () => {
  it('keeps the newest, within its bounds; one alone may be larger', () => {
    const shelf = new Shelf<string>(3, 10);
    for (const thing of ['a', 'b', 'c', 'd']) shelf.add(thing, 1);
    expect(shelf.all()).toEqual(['d', 'c', 'b']);
    shelf.add('large', 9);
    expect(shelf.all()).toEqual(['large', 'd']);
    shelf.add('larger', 100);
    expect(shelf.all()).toEqual(['larger']);
  });
});

describe('limits', () => {
  const run = async (handler: RequestHandler, length: string | undefined) => {
    const response = new EventEmitter() as unknown as Response & { sent?: number };
    response.set = (() => response) as never;
    response.sendStatus = ((status: number) => ((response.sent = status), response)) as never;
    let isThrough = false;
    const request = { headers: { 'content-length': length }, socket: { remoteAddress: '10.0.0.1' } };
    await handler(request as never, response, () => (isThrough = true));
    return { through: isThrough, sent: response.sent, end: () => response.emit('close') };
  };

  it('let no more bodies in together than fit, and more again once those are through', async () => {
    const budget = bodyBudget(60, 100);
    const first = await run(budget, '60');
    expect(first.through).toBe(true);
    expect(await run(budget, '60')).toMatchObject({ through: false, sent: 503 });
    expect(await run(budget, '61')).toMatchObject({ sent: 413 });
    expect(await run(budget, undefined)).toMatchObject({ sent: 411 });
    first.end();
    expect(await run(budget, '60')).toMatchObject({ through: true });
  });

  it('have one address wait that asks too often', async () => {
    const limit = perMinute(2);
    const answers = [await run(limit, '1'), await run(limit, '1'), await run(limit, '1')];
    expect(answers.map(({ sent }) => sent)).toEqual([undefined, undefined, 429]);
  });
});
