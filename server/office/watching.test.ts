import { createServer as createHttpServer } from 'node:http';
import type { AddressInfo } from 'node:net';

import express from 'express';

import { Figures } from './Figures';
import { giveOverRoute } from './giveOverRoute';
import { faultWords } from './logs';
import { watchRoutes } from './watchRoutes';

describe('what watches over the server', () => {
  let why: string | null = null;
  const app = express();
  const figures = new Figures();
  for (const connections of [1, 2]) figures.count({ office: () => null, connections: () => connections });
  const stop = figures.count({ office: () => null, connections: () => 40 });
  stop();
  const routes = watchRoutes({ figures, faults: async () => [null, why], token: 'weir-and-tarn' });
  for (const [path, router] of Object.entries(routes)) app.use(path, router);
  const server = createHttpServer(app);
  let address = '';

  beforeAll(async () => {
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  });
  afterAll(() => void server.close());

  it('hears that it runs also while the office can’t be used, and why that is', async () => {
    expect((await fetch(`${address}/healthz`)).status).toBe(200);
    expect((await fetch(`${address}/readyz`)).status).toBe(200);
    why = 'What is done can’t be kept.';
    const answer = await fetch(`${address}/readyz`);
    expect([answer.status, await answer.text()]).toEqual([503, 'What is done can’t be kept.\n']);
    expect((await fetch(`${address}/healthz`)).status).toBe(200);
  });

  it('reads figures on this machine, or with the token; nobody does through a proxy without it', async () => {
    const read = (headers: Record<string, string> = {}) => fetch(`${address}/metrics`, { headers });
    const here = await read();
    expect(here.headers.get('content-type')).toContain('version=0.0.4');
    expect(await here.text()).toContain('cendro_connections 3');
    const proxied = { 'x-forwarded-for': '203.0.113.9' };
    expect((await read(proxied)).status).toBe(403);
    expect((await read({ ...proxied, authorization: 'Bearer something' })).status).toBe(403);
    expect((await read({ ...proxied, authorization: 'Bearer weir-and-tarn' })).status).toBe(200);
  });

  it('of a fault is told what kind it was and where, never its words', () => {
    let fault: unknown = null;
    try {
      JSON.parse('07700 900333');
    } catch (error) {
      fault = error;
    }
    expect(faultWords(fault)).toMatch(/^SyntaxError at /);
    expect(faultWords(fault)).not.toContain('900333');
  });
});

describe('whoever runs the processes', () => {
  let isHere = true;
  let next: string | null = 'http://other';
  const asked: string[] = [];
  const app = express();
  app.use(
    '/give-over',
    giveOverRoute({
      token: 'weir-and-tarn',
      giveOver: async ({ hostname }) => {
        if (!isHere) throw new Error('It is not open here.');
        asked.push(hostname);
        return next;
      },
    }),
  );
  const server = createHttpServer(app);
  let address = '';
  beforeAll(async () => {
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    address = `http://127.0.0.1:${(server.address() as AddressInfo).port}/give-over`;
  });
  afterAll(() => void server.close());
  const ask = async (authorization: string, method = 'POST') => {
    const answer = await fetch(address, { method, headers: { authorization } });
    return [answer.status, method === 'POST' ? await answer.text() : ''];
  };

  it('gives an office to another process, and hears which has it', async () => {
    expect(await ask('Bearer weir-and-tarn')).toEqual([200, 'It is run by http://other now.\n']);
    next = null;
    expect(await ask('Bearer weir-and-tarn')).toEqual([
      503,
      'No other process has taken it. This one goes on.\n',
    ]);
    isHere = false;
    expect(await ask('Bearer weir-and-tarn')).toEqual([409, 'It is not open here.\n']);
    expect(asked).toHaveLength(2);
  });

  it('does so by the token alone, also on this machine, and by no link', async () => {
    isHere = true;
    const before = asked.length;
    for (const shown of ['', 'Bearer ', 'Bearer weir', 'weir-and-tarn'])
      expect((await ask(shown))[0]).toBe(403);
    expect((await ask('Bearer weir-and-tarn', 'GET'))[0]).toBe(404);
    expect(asked).toHaveLength(before);
  });
});
