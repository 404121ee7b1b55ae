import { createPublicKey, verify } from 'node:crypto';

import { signedByDevice, type DeviceProof } from '@/office/socket';

/** Whether somebody has the key that they show, and signed with it what this connection was asked. */
export function isProven(
  { key, signature }: DeviceProof,
  challenge: string,
  app: string,
  token: string,
): boolean {
  try {
    const spki = createPublicKey({ key: Buffer.from(key, 'base64url'), format: 'der', type: 'spki' });
    const isKind = spki.asymmetricKeyType === 'ec' && spki.asymmetricKeyDetails?.namedCurve === 'prime256v1';
    const signed = signedByDevice(challenge, app, token);
    const given = Buffer.from(signature, 'base64url');
    return isKind && verify('sha256', signed, { key: spki, dsaEncoding: 'ieee-p1363' }, given);
  } catch {
    // Not a key at all.
    return false;
  }
}
