import type { Action, ThunkAction } from '@reduxjs/toolkit';

import {
  noticeKinds,
  progressSchema,
  writtenSecret,
  type Destination,
  type NoticeKind,
} from '@/core/inbox/notifications';
import { actDone, dropSome, keepOne, type RootState, type Services } from '@/state/app';

import { trialFor } from './notices';
import { askServer } from './server';

type Act<T = void> = ThunkAction<T, RootState, Services, Action>;

const secretBytes = 24;

export const addMail =
  (address: string): Act =>
  (dispatch) =>
    dispatch(add({ kind: 'mail', address }, address));

export const addWebhook =
  (url: string): Act =>
  (dispatch) => {
    const secret = writtenSecret(crypto.getRandomValues(new Uint8Array(secretBytes)));
    dispatch(add({ kind: 'webhook', url, secret }, url));
  };

const add =
  (place: Destination['place'], name: string): Act =>
  (dispatch) => {
    const id = `${place.kind}:${name}`;
    dispatch(keepOne('destinations', { id, place, kinds: [...noticeKinds] }));
    dispatch(actDone(null));
  };

export const setKinds =
  (destination: Destination, kinds: NoticeKind[]): Act =>
  (dispatch) => {
    dispatch(keepOne('destinations', { ...destination, kinds }));
  };

export const removeDestination =
  ({ id }: Destination): Act =>
  (dispatch) => {
    dispatch(dropSome('destinations', [id]));
  };

export const bringBackDestination =
  (destination: Destination): Act =>
  (dispatch) => {
    dispatch(keepOne('destinations', destination));
  };

export const sendTrial =
  ({ id, kinds }: Destination): Act =>
  (dispatch, getState, { clock }) => {
    const trial = trialFor(getState(), id, kinds[0] ?? 'missedCall', clock.now());
    if (trial) dispatch(keepOne('told', trial));
  };

/** Has the server try one now that waits for its next try, or was given up. */
export const tellAgain =
  (id: string): Act<Promise<void>> =>
  async (dispatch, getState, { server }) => {
    const told = getState().inbox.kept.told[id];
    if (!told) return;
    // Whoever hosts the office sees what waits.
    if (server) return void dispatch(keepOne('told', { ...told, progress: null }));
    const answer = await askServer('/api/telling/again', { id }, progressSchema);
    if (answer.ok) dispatch(keepOne('told', { ...told, progress: answer.value }));
    // The server has forgotten it: it is handed over anew.
    else if (answer.status === 404) dispatch(keepOne('told', { ...told, progress: null }));
  };
