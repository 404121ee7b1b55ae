import type { Action, ThunkAction } from '@reduxjs/toolkit';

import { nameOfCall, selectIncoming, selectTaken, type CallView } from './callViews';
import { send } from './acts';
import { selectAskedInMeetings } from './meetings';
import { workerFile } from './newer';
import { isActive } from './mySound';
import type { Services } from './services';
import { actDone } from './slices';
import { whenChanged, type AppStore, type RootState } from './store';
import type { AlertKind } from '../storage';

type Act = ThunkAction<void, RootState, Services, Action>;

/** Whether this browser can tell of a call while the app is not in front. */
export const canTellElsewhere = () => 'Notification' in window && 'serviceWorker' in navigator;

/** Asks the browser's leave; only after a tap. Says whether it was given. */
export async function askToTellElsewhere(): Promise<boolean> {
  if (!canTellElsewhere()) return false;
  const permission = await Notification.requestPermission();
  return (
    permission === 'granted' &&
    (await worker().then(
      () => true,
      () => false,
    ))
  );
}

/**
 * Tells the system of what goes on, where it can hear: a notification with Answer and Refuse while the app is not in
 * front, and the media keys of a headset for the call that is talked on. Returns a function that ends it.
 */
export function startAttention(store: AppStore): () => void {
  let told = new Set<string>();
  let toldAsks = new Set<string>();
  const follow = () => {
    const state = store.getState();
    const incoming = selectIncoming(state);
    const { isInFront } = state.office;
    const isAway = isInFront && document.visibilityState !== 'visible' && tellsOf(state, 'calls');
    const before = told;
    told = new Set(incoming.map(({ id }) => id));
    for (const view of incoming)
      if (isAway && !before.has(view.id)) inTurn(() => notify(view, () => told.has(view.id)));
    for (const id of before) if (!told.has(id)) inTurn(() => withdraw(id));
    const asks = selectAskedInMeetings(state);
    const asksBefore = toldAsks;
    toldAsks = new Set(asks.map(({ tag }) => tag));
    for (const { tag, title } of asks)
      if (isAway && !asksBefore.has(tag)) inTurn(() => showPlain(title, { tag, body: 'in your meeting' }));
    for (const tag of asksBefore) if (!toldAsks.has(tag)) inTurn(() => withdraw(tag));
    if (isInFront) showInMediaKeys(store);
  };
  const onMessage = ({ data }: MessageEvent<{ callId?: string; action?: string }>) => {
    const view = selectIncoming(store.getState()).find(({ id }) => id === data.callId);
    if (view)
      void store.dispatch(
        send({ type: data.action === 'refuse' ? 'refuse' : 'answer', legId: view.me.legId }),
      );
  };
  if ('serviceWorker' in navigator) navigator.serviceWorker.addEventListener('message', onMessage);
  const stop = whenChanged(store, (state) => state, follow);
  return () => {
    stop();
    if ('serviceWorker' in navigator) navigator.serviceWorker.removeEventListener('message', onMessage);
  };
}

let last = Promise.resolve();

/**
 * Shows and withdraws one after the other: Chromium forgets a notification for good whose list is asked for while it
 * is being shown.
 */
function inTurn(work: () => Promise<void>): void {
  last = last.then(work).catch(() => undefined);
}

/** The worker that shows notifications, once it is active: one that is only installed shows none. */
async function worker(): Promise<ServiceWorkerRegistration> {
  // Registering again would fetch and compare it first, while a caller waits.
  if (!(await navigator.serviceWorker.getRegistration()))
    await navigator.serviceWorker.register(workerFile, { updateViaCache: 'none' });
  return navigator.serviceWorker.ready;
}

/** Tells of a call as long as it rings: the browser may take its time before it can show one. */
async function notify(view: CallView, stillRings: () => boolean): Promise<void> {
  if (!canTellElsewhere() || Notification.permission !== 'granted') return;
  const registration = await worker();
  if (!stillRings()) return;
  const options: NotificationOptions & { actions: { action: string; title: string }[] } = {
    body: view.line ? `calls ${view.line.name}` : 'calls your extension',
    tag: view.id,
    requireInteraction: true,
    data: { callId: view.id },
    icon: '/icon.svg',
    actions: [
      { action: 'answer', title: 'Answer' },
      { action: 'refuse', title: 'Refuse' },
    ],
  };
  await registration.showNotification(nameOfCall(view), options);
}

/** Has something said on the screen, in whichever tab is in front. */
export const sayInFront =
  (sentence: string): Act =>
  (dispatch, getState, { others }) => {
    if (getState().office.isInFront) dispatch(actDone(sentence));
    else others?.say({ kind: 'sentence', sentence });
  };

/** Has the system tell of something that has come in and asks for nothing at once, while no tab is looked at. */
export const tellElsewhere =
  (notice: Notice): Act =>
  (_, getState, { others }) => {
    if (getState().office.isInFront) showNotice(getState(), notice);
    else others?.say({ kind: 'notice', notice });
  };

/** Whether the system may tell of that. */
const tellsOf = ({ settings }: RootState, kind: AlertKind) =>
  settings.tellsElsewhere && settings.alerts[kind];

export interface Notice {
  kind: Exclude<AlertKind, 'calls'>;
  /** Another one with the same tag takes its place. */
  tag: string;
  title: string;
  body: string;
}

export function showNotice(state: RootState, { kind, tag, title, body }: Notice): void {
  if (tellsOf(state, kind) && document.visibilityState !== 'visible')
    inTurn(() => showPlain(title, { body, tag }));
}

async function showPlain(title: string, options: { body: string; tag: string }): Promise<void> {
  if (!canTellElsewhere() || Notification.permission !== 'granted') return;
  await (await worker()).showNotification(title, { ...options, icon: '/icon.svg' });
}

async function withdraw(callId: string): Promise<void> {
  if (!canTellElsewhere() || Notification.permission !== 'granted') return;
  const registration = await navigator.serviceWorker.getRegistration();
  for (const shown of (await registration?.getNotifications({ tag: callId })) ?? []) shown.close();
}

let shownInKeys = '';

function showInMediaKeys(store: AppStore): void {
  if (!('mediaSession' in navigator)) return;
  const view = selectTaken(store.getState()).find(isActive);
  const now = view ? `${view.id} ${view.me.muted} ${nameOfCall(view)}` : '';
  if (now === shownInKeys) return;
  shownInKeys = now;
  const { mediaSession } = navigator;
  mediaSession.playbackState = view ? 'playing' : 'none';
  mediaSession.metadata = view
    ? new MediaMetadata({ title: nameOfCall(view), artist: view.line?.name ?? 'Inside the office' })
    : null;
  if (view) void mediaSession.setMicrophoneActive?.(!view.me.muted);
  const legId = view?.me.legId ?? '';
  const muting = view?.me.muted ? 'unmute' : 'mute';
  setKey('hangup', view && (() => void store.dispatch(send({ type: 'clear', legId }))));
  setKey('togglemicrophone', view && (() => void store.dispatch(send({ type: muting, legId }))));
}

function setKey(key: string, act: (() => void) | undefined): void {
  try {
    navigator.mediaSession.setActionHandler(key as MediaSessionAction, act ?? null);
  } catch {
    // This browser has no such key.
  }
}
