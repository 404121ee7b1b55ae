import { createStore, update } from 'idb-keyval';

import { signedByDevice, type DeviceProof } from './messages';

const algorithm = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' } as const;
const databaseName = 'cendro-device';

/**
 * A key of this browser’s own, by which an office knows it again: whoever has got hold of all else it keeps can’t come in its place, since
 * no script can read the private half. There is none outside a secure context, and where nothing may be kept.
 */
export class DeviceKey {
  private pair: Promise<CryptoKeyPair | null> | null = null;

  /** null: there is no key. */
  async prove(challenge: string, app: string, token: string): Promise<DeviceProof | null> {
    this.pair ??= ownPair().catch(() => null);
    const pair = await this.pair;
    if (!pair) return null;
    const signature = await crypto.subtle.sign(
      algorithm,
      pair.privateKey,
      signedByDevice(challenge, app, token),
    );
    const key = await crypto.subtle.exportKey('spki', pair.publicKey);
    return { key: base64url(key), signature: base64url(signature) };
  }
}

/** What is kept, or from now on is; two pages that look at once have the same. */
async function ownPair(): Promise<CryptoKeyPair> {
  const made = await crypto.subtle.generateKey(algorithm, false, ['sign', 'verify']);
  let own = made;
  await update<CryptoKeyPair>('key', (kept) => (own = kept ?? made), createStore(databaseName, 'keys'));
  return own;
}

const base64url = (bytes: ArrayBuffer): string =>
  btoa(String.fromCharCode(...new Uint8Array(bytes)))
    .replace(/\+/g, '-')
    .replace(/\//g, '_')
    .replace(/=+$/, '');
