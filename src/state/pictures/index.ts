import { useEffect, useState } from 'react';

import { useServices } from '@/state/app';

import { Vault } from '../storage';
import { inboxKeys, pictureKind } from '../kept';

const prefix = 'kept:';

/** Under which key a message's picture is kept; null where it is an address of its own. */
export const pictureKeyOf = (url: string): string | null =>
  url.startsWith(prefix) ? `${inboxKeys.picture}${url.slice(prefix.length)}` : null;

/**
 * Keeps a picture under a key of its own, so that reading the messages does not read all pictures. Gives how a message
 * names it.
 */
export async function keepPicture(vault: Vault | null, id: string, url: string): Promise<string> {
  if (!vault || !url.startsWith('data:')) return url;
  await vault.write({ [`${inboxKeys.picture}${id}`]: Vault.encode([{ url }], pictureKind) });
  return `${prefix}${id}`;
}

/** The picture itself, of how it is named; null where it is kept no more. */
export async function readPicture(vault: Vault | null, url: string): Promise<string | null> {
  const key = pictureKeyOf(url);
  if (key === null) return url;
  return (await vault?.read(key, pictureKind))?.[0]?.url ?? null;
}

/** The address at which a message's picture can be shown; null until it is read. */
export function usePicture(url: string | null): string | null {
  const { vault } = useServices();
  const key = url === null ? null : pictureKeyOf(url);
  const [read, setRead] = useState<{ key: string; url: string } | null>(null);
  useEffect(() => {
    if (key === null || !vault) return;
    let isGone = false;
    void vault.read(key, pictureKind).then(
      (found) => {
        const [kept] = found ?? [];
        if (kept && !isGone) setRead({ key, url: kept.url });
      },
      () => undefined,
    );
    return () => {
      isGone = true;
    };
  }, [key, vault]);
  if (key === null) return url;
  return read?.key === key ? read.url : null;
}
