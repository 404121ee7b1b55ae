import { createSelector, type Action, type ThunkAction } from '@reduxjs/toolkit';

import { faxAfter, faxAgain, nextFax, nextFaxAt, writtenFax, type Fax } from '@/core/inbox/fax';
import {
  actDone,
  dropSome,
  freeId,
  keepOne,
  type AppStore,
  type RootState,
  type Services,
} from '@/state/app';
import type { FaxTold } from '@/office/carrier';

import { fromBase64, toBase64, Vault } from '../storage';
import { catchUpKeys, faxPagesKind } from '../kept';

type Act<T = void> = ThunkAction<T, RootState, Services, Action>;

const pagesKey = (id: string) => `${catchUpKeys.faxPages}${id}`;

export interface NewFax {
  number: string;
  lineId: string;
  title: string;
  pages: number;
  /** Its pages as they go out. */
  pdf: Uint8Array;
}

/** Writes a fax into the queue, its pages first, so that none ever waits without them. Gives its id. */
export const writeFax =
  ({ pdf, ...given }: NewFax): Act<Promise<string>> =>
  async (dispatch, getState, { clock, vault }) => {
    const at = clock.now();
    const { faxes } = getState().catchUp.kept;
    const id = freeId(`fax-out-${at}`, (taken) => taken in faxes);
    await vault?.write({ [pagesKey(id)]: Vault.encode([{ pdf: toBase64(pdf), url: null }], faxPagesKind) });
    dispatch(keepOne('faxes', writtenFax({ id, at, ...given })));
    return id;
  };

const change =
  (id: string, changed: (fax: Fax, now: number) => Fax): Act =>
  (dispatch, getState, { clock }) => {
    const fax = getState().catchUp.kept.faxes[id];
    if (fax) dispatch(keepOne('faxes', changed(fax, clock.now())));
  };

export const sendFaxAgain = (id: string): Act => change(id, faxAgain);
export const markFaxRead = (id: string): Act =>
  change(id, (fax, now) => (fax.readAt === null ? { ...fax, readAt: now } : fax));

/** Stops a fax that is on its way. How far it came the office tells. */
export const stopFax =
  (id: string): Act<Promise<void>> =>
  async (_, __, { link }) =>
    link?.stopFax(id);

/** Takes back a fax that does not go out just now. */
export const takeBackFax =
  (id: string): Act =>
  (dispatch, getState, { vault }) => {
    const state = getState().catchUp.kept.faxes[id]?.state;
    if (state !== 'waiting' && state !== 'failed' && state !== 'stopped') return;
    dispatch(dropSome('faxes', [id]));
    void vault?.remove([pagesKey(id)]);
    dispatch(actDone('The fax is taken back.'));
  };

/** The pages of a fax, as a PDF; null where they are not on this device, and can't be fetched now. */
export async function readFaxPages(vault: Vault | null, id: string): Promise<Uint8Array<ArrayBuffer> | null> {
  const [kept] = (await vault?.read(pagesKey(id), faxPagesKind).catch(() => null)) ?? [];
  if (!kept) return null;
  if (kept.pdf !== null) return fromBase64(kept.pdf);
  return kept.url === null ? null : fetchPages(vault, id, kept.url);
}

async function fetchPages(
  vault: Vault | null,
  id: string,
  url: string,
): Promise<Uint8Array<ArrayBuffer> | null> {
  const response = await fetch(url).catch(() => null);
  if (!response?.ok) return null;
  const pdf = new Uint8Array(await response.arrayBuffer());
  await vault?.write({ [pagesKey(id)]: Vault.encode([{ pdf: toBase64(pdf), url: null }], faxPagesKind) });
  return pdf;
}

/** Where the pages of one that came in are fetched; they are fetched at once, or when they are first read. */
export async function keepPagesOf(vault: Vault, id: string, url: string): Promise<void> {
  await vault.write({ [pagesKey(id)]: Vault.encode([{ pdf: null, url }], faxPagesKind) });
  await fetchPages(vault, id, url);
}

/** Takes in what the carrier tells; gives the faxes it changed. */
export const faxesTold =
  (told: readonly FaxTold[], vault: Vault): Act<Fax[]> =>
  (dispatch, getState) =>
    told.flatMap((event): Fax[] => {
      const fax = event.kind === 'received' ? received(event) : getState().catchUp.kept.faxes[event.id];
      if (!fax) return [];
      const now = event.kind === 'received' ? fax : faxAfter(fax, event);
      if (event.kind === 'received') void keepPagesOf(vault, event.id, event.fax.url);
      dispatch(keepOne('faxes', now));
      return [now];
    });

function received({ id, at, fax }: Extract<FaxTold, { kind: 'received' }>): Fax {
  const { number, lineId, title, pages } = fax;
  return { ...writtenFax({ id, at, number, lineId, title, pages }), direction: 'in', state: 'received' };
}

/** Hands waiting faxes to the carrier, one at a time, while there is a network. Gives what ends it. */
export function startFaxing(store: AppStore, { clock, link }: Services): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const all = () => Object.values(store.getState().catchUp.kept.faxes);
  const send = () => {
    clearTimeout(timer);
    const now = clock.now();
    const next = store.getState().office.isOnline ? nextFax(all(), now) : null;
    if (next && next.number !== null) {
      const { id, number, lineId, pages, sentPages } = next;
      void link?.sendFax({ id, number, lineId, pages, sentPages });
      return;
    }
    const at = nextFaxAt(all(), now);
    const ms = at === null ? null : clock.realMsUntil(at);
    if (ms !== null) timer = setTimeout(send, Math.min(ms, 60_000));
  };
  let last = store.getState();
  const stopFollowing = store.subscribe(() => {
    const state = store.getState();
    const isChanged =
      state.catchUp.kept.faxes !== last.catchUp.kept.faxes || state.office.isOnline !== last.office.isOnline;
    last = state;
    if (isChanged) send();
  });
  const stopClock = clock.subscribe(send);
  send();
  return () => {
    clearTimeout(timer);
    stopFollowing();
    stopClock();
  };
}

/** All faxes, newest first. */
export const selectFaxes = createSelector(
  (state: RootState) => state.catchUp.kept.faxes,
  (faxes): Fax[] => Object.values(faxes).sort((a, b) => b.at - a.at),
);
