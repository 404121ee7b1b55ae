import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import { expect, type Page } from '@playwright/test';

import type { Office } from './office';

/** An office on a server of the test's own, which can be killed and begun again where it was. */
export class ServedOffice {
  private server: ChildProcess | null = null;
  private readonly folder = mkdtempSync(join(tmpdir(), 'cendro-office-'));
  private port = 0;
  /** The links and PINs that it has given whoever runs it, or each of several; the first of them. */
  waysIn: { address: string; path: string; pin: string }[] = [];

  get wayIn(): { path: string; pin: string } | null {
    return this.waysIn[0] ?? null;
  }

  get address(): string {
    return `http://localhost:${this.port}`;
  }

  async start(env: Record<string, string> = {}, args: readonly string[] = []): Promise<void> {
    this.port ||= await freePort();
    const server = spawn(process.execPath, ['--enable-source-maps', 'build/office.mjs', '--http', ...args], {
      env: { ...process.env, CENDRO_DATA: this.folder, PORT: String(this.port), ...env },
      // With whatever it is run by, so that it can be killed as a whole.
      detached: true,
    });
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
    const ways = [...said.matchAll(/(http\S+)(\/join\?code=\S+)[^]*?with the PIN (\d+)/g)];
    if (ways.length > 0)
      this.waysIn = ways.map(([, address = '', path = '', pin = '']) => ({ address, path, pin }));
  }

  /** In the middle of whatever it does. */
  kill(): Promise<void> {
    return this.signal('SIGKILL');
  }

  /** As whoever runs it would. */
  stop(): Promise<void> {
    return this.signal('SIGTERM');
  }

  private async signal(signal: NodeJS.Signals): Promise<void> {
    const { server } = this;
    if (server?.pid === undefined || server.exitCode !== null || server.signalCode !== null) return;
    const isOver = new Promise((resolve) => server.once('exit', resolve));
    process.kill(-server.pid, signal);
    await isOver;
  }

  async end(): Promise<void> {
    await this.kill();
    rmSync(this.folder, { recursive: true, force: true });
  }
}

/** Lets a device join by a link, with a PIN. */
export async function joinBy({ page }: { page: Page }, path: string, pin: string): Promise<void> {
  await page.goto(path);
  await page.getByRole('textbox', { name: 'PIN' }).fill(pin);
  await page.getByRole('button', { name: 'Join' }).click();
  await expect(page.getByRole('heading', { name: /^You are in/ })).toBeVisible();
}

/** Signs one more device of somebody in, by extension and PIN. */
export async function signIn({ page }: { page: Page }, extension: string, pin: string): Promise<void> {
  await page.goto('/');
  await page.getByRole('textbox', { name: 'Extension' }).fill(extension);
  await page.getByRole('textbox', { name: 'PIN' }).fill(pin);
  await page.getByRole('button', { name: 'Sign in' }).click();
  // The places are there at the door too.
  await expect(page.getByRole('heading', { name: /^Sign in to/ })).toHaveCount(0);
}

/** Somebody new gets a place in the office, a PIN and a link, from whoever runs it. */
export async function invite(
  { page, office }: { page: Page; office: Office },
  name: string,
): Promise<{ path: string; pin: string }> {
  await office.goTo('Office');
  await page.getByRole('button', { name: /^People/ }).click();
  await page.getByRole('button', { name: 'Somebody new' }).click();
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill(name);
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await page.getByRole('listitem', { name }).getByRole('button').first().click();
  await page.getByRole('button', { name: 'Let a device of theirs join' }).click();
  const sheet = office.sheet();
  await sheet.getByRole('button', { name: 'Give them a PIN' }).click();
  const pin = /It is (\d+)/.exec(await sheet.getByText(/^It is/).innerText())?.[1] ?? '';
  await sheet.getByRole('button', { name: 'Make the link' }).click();
  const link = new URL(await sheet.getByText(/^http/).innerText());
  await sheet.getByRole('button', { name: 'Close' }).click();
  return { path: link.pathname + link.search, pin };
}

export function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer().listen(0, () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });
}
