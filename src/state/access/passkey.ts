import {
  browserSupportsWebAuthn,
  platformAuthenticatorIsAvailable,
  startAuthentication,
  startRegistration,
} from '@simplewebauthn/browser';

import { newSecret } from '../app';

/** The bit of the authenticator's data that says that it has verified who is there (W3C WebAuthn §6.1, UV). */
const verifiedBit = 0x04;
const flagsAt = 32;
const timeout = 60_000;

/** Whether this device has a way of its own to tell that its owner is there: a finger, a face, its code. */
export const hasOwnKey = async (): Promise<boolean> =>
  browserSupportsWebAuthn() && (await platformAuthenticatorIsAvailable().catch(() => false));

/** Has the device make a passkey for somebody (W3C WebAuthn). Gives its id; null: it was refused or broken off. */
export async function makePasskey(personId: string, name: string): Promise<string | null> {
  try {
    const made = await startRegistration({
      optionsJSON: {
        rp: { name: 'Cendro' },
        user: { id: btoa(personId).replace(/[+/=]/g, ''), name, displayName: name },
        challenge: newSecret(),
        pubKeyCredParams: [
          { type: 'public-key', alg: -7 },
          { type: 'public-key', alg: -257 },
        ],
        timeout,
        authenticatorSelection: {
          authenticatorAttachment: 'platform',
          userVerification: 'required',
          residentKey: 'discouraged',
        },
        attestation: 'none',
      },
    });
    return made.id;
  } catch {
    return null;
  }
}

/**
 * Has the device tell that its owner is there. The lock is this page's own, and so is its word taken: to the office a device is known by
 * what it was signed in with, whether locked or not.
 */
export async function provePasskey(id: string): Promise<boolean> {
  try {
    const { response } = await startAuthentication({
      optionsJSON: {
        challenge: newSecret(),
        timeout,
        userVerification: 'required',
        allowCredentials: [{ id, type: 'public-key', transports: ['internal'] }],
      },
    });
    const data = atob(response.authenticatorData.replace(/-/g, '+').replace(/_/g, '/'));
    return (data.charCodeAt(flagsAt) & verifiedBit) !== 0;
  } catch {
    return false;
  }
}
