import { newSecret } from '../app';

/** By what somebody comes to a meeting who is nobody of the office. */
export interface GuestLink {
  token: string;
  /** By which the office knows this browser again, also after the page was loaded anew. */
  secret: string;
  /** It is for the screen beside their phone. */
  isBeside: boolean;
}

/** The link by which this page was opened; null: its address is not whole. */
export function guestLinkOf({ hash, search }: Pick<Location, 'hash' | 'search'>): GuestLink | null {
  const token = hash.slice(1);
  if (!/^[A-Za-z0-9_-]{22,64}$/.test(token)) return null;
  return { token, secret: secretFor(token), isBeside: new URLSearchParams(search).has('beside') };
}

/** Another tab is another guest. */
function secretFor(token: string): string {
  const key = `cendro-guest/${token}`;
  try {
    const secret = sessionStorage.getItem(key) ?? newSecret();
    sessionStorage.setItem(key, secret);
    return secret;
  } catch {
    return newSecret();
  }
}
