import { base64ToUint8Array, uint8ArrayToBase64 } from 'uint8array-extras';
import { createSelector, type Action, type ThunkAction } from '@reduxjs/toolkit';

import type { Fax } from '@/core/inbox/fax';
import { actDone, askOffice, freeId, type RootState, type Services } from '@/state/app';

import { Vault } from '../storage';
import { inboxKeys, faxPagesKind } from '../kept';

type Act<T = void> = ThunkAction<T, RootState, Services, Action>;

const pagesKey = (id: string) => `${inboxKeys.faxPages}${id}`;

export interface NewFax {
  number: string;
  lineId: string;
  title: string;
  pages: number;
  /** Its pages as they go out. */
  pdf: Uint8Array;
}

/** Writes a fax into the office's queue, its pages first, so that none ever waits without them. Gives its id; null where it was refused. */
export const writeFax =
  ({ pdf, ...given }: NewFax): Act<Promise<string | null>> =>
  async (dispatch, getState, { clock, vault }) => {
    const { faxes } = getState().inbox.kept;
    const id = freeId(`fax-out-${clock.now()}`, (taken) => taken in faxes);
    await vault?.write({
      [pagesKey(id)]: Vault.encode([{ pdf: uint8ArrayToBase64(pdf), url: null }], faxPagesKind),
    });
    if (await dispatch(askOffice({ type: 'sendFax', id, ...given }))) return id;
    await vault?.remove([pagesKey(id)]);
    return null;
  };

export const sendFaxAgain = (id: string) => askOffice({ type: 'sendFaxAgain', id });
export const markFaxRead = (id: string) => askOffice({ type: 'markFaxesRead', ids: [id] });
/** Stops a fax that is on its way. How far it came the office tells. */
export const stopFax = (id: string) => askOffice({ type: 'stopFax', id });

/** Takes back a fax that does not go out just now. */
export const takeBackFax =
  (id: string): Act<Promise<void>> =>
  async (dispatch, _, { vault }) => {
    if (!(await dispatch(askOffice({ type: 'takeBackFax', id })))) return;
    void vault?.remove([pagesKey(id)]);
    dispatch(actDone('The fax is taken back.'));
  };

/** The pages of a fax, as a PDF; null where they are not on this device, and can't be fetched now. */
export async function readFaxPages(
  vault: Vault | null,
  { id, pagesUrl }: Pick<Fax, 'id' | 'pagesUrl'>,
): Promise<Uint8Array | null> {
  const [kept] = (await vault?.read(pagesKey(id), faxPagesKind).catch(() => null)) ?? [];
  if (kept?.pdf != null) return base64ToUint8Array(kept.pdf);
  const url = kept?.url ?? pagesUrl;
  return url === null ? null : fetchPages(vault, id, url);
}

/** Fetches the pages of one that came in, so that they can be read without a network; else they are when they are first read. */
export async function fetchPages(vault: Vault | null, id: string, url: string): Promise<Uint8Array | null> {
  const response = await fetch(url).catch(() => null);
  if (!response?.ok) return null;
  const pdf = new Uint8Array(await response.arrayBuffer());
  await vault?.write({
    [pagesKey(id)]: Vault.encode([{ pdf: uint8ArrayToBase64(pdf), url: null }], faxPagesKind),
  });
  return pdf;
}

/** All faxes, newest first. */
export const selectFaxes = createSelector(
  (state: RootState) => state.inbox.kept.faxes,
  (faxes): Fax[] => Object.values(faxes).sort((a, b) => b.at - a.at),
);
