import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';

import { generate } from 'selfsigned';

export interface Certificate {
  key: string;
  cert: string;
}

const years = 2;

/**
 * What HTTPS needs: the files that are named, or a certificate of this machine's own, made once for the names and addresses it goes by. A
 * browser asks once whether it is to be trusted; without HTTPS it gives no page a microphone.
 */
export async function certificateFor(
  folder: string,
  hosts: readonly string[],
  given: { cert?: string | undefined; key?: string | undefined },
): Promise<Certificate> {
  if (given.cert !== undefined && given.key !== undefined)
    return { cert: await readFile(given.cert, 'utf8'), key: await readFile(given.key, 'utf8') };
  const file = join(folder, `certificate-${hosts.join('_').replace(/[^\w.-]/g, '-')}.json`);
  const kept = await readFile(file, 'utf8').then(
    (text) => JSON.parse(text) as Certificate & { until: number },
    () => null,
  );
  if (kept && kept.until > Date.now()) return kept;
  const until = new Date();
  until.setFullYear(until.getFullYear() + years);
  const isAddress = (host: string) => /^[\d.]+$/.test(host);
  const altNames = hosts.map((host) =>
    isAddress(host) ? { type: 7 as const, ip: host } : { type: 2 as const, value: host },
  );
  const made = await generate([{ name: 'commonName', value: hosts[0] ?? 'localhost' }], {
    ...{ keySize: 2048, algorithm: 'sha256', notAfterDate: until },
    extensions: [{ name: 'subjectAltName', altNames }],
  });
  const certificate = { key: made.private, cert: made.cert };
  await writeFile(file, JSON.stringify({ ...certificate, until: until.getTime() }), { mode: 0o600 });
  return certificate;
}
