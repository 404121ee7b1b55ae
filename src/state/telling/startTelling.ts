import { z } from 'zod';

import { newestTold, progressSchema, type Progress, type Told } from '@/core/inbox/notifications';
import { dropSome, keepOne, whenChanged, type AppStore, type Services } from '@/state/app';

import { askServer } from './server';

const lookMs = 2_000;
const mostRounds = 3;
/** The server says how so many stand at once. */
const mostAsked = 500;
const dayMs = 24 * 3_600_000;
/** How long the app remembers what was told. */
const rememberMs = 7 * dayMs;

/** How far what was told has come; a server that hosts the office sees to all the rest by itself. */
export function startTelling(store: AppStore, services: Services): () => void {
  forgetOld(store, services);
  return services.server === null ? handOverAll(store, services) : () => undefined;
}

/**
 * Hands what is to be told to the server, as soon as it can be reached, and follows how far it has come. Gives what ends
 * it. A delivery handed over twice is told once, since the server knows it by its id.
 */
function handOverAll(store: AppStore, { readSound }: Services): () => void {
  let isBusy = false;
  let isAsked = false;
  let isOver = false;
  let timer: ReturnType<typeof setTimeout> | undefined;

  const look = async () => {
    clearTimeout(timer);
    isAsked = true;
    if (isBusy || isOver) return;
    isBusy = true;
    try {
      // What came while it looked is looked at too; a server that forgets everything at once is given time.
      for (let round = 0; isAsked && round < mostRounds && !isOver; round++) {
        isAsked = false;
        await handOver();
        await follow();
      }
    } finally {
      isBusy = false;
    }
    if (unfinished().length > 0 && !isOver) timer = setTimeout(() => void look(), lookMs);
  };

  const all = () => Object.values(store.getState().inbox.kept.told);
  const unfinished = () => all().filter(({ progress }) => progress === null || progress.state === 'waiting');
  const isOnline = () => store.getState().office.isOnline;
  const keep = (id: string, progress: Progress | null) => {
    const told = store.getState().inbox.kept.told[id];
    if (told && JSON.stringify(told.progress) !== JSON.stringify(progress))
      store.dispatch(keepOne('told', { ...told, progress }));
  };

  const handOver = async () => {
    for (;;) {
      const told = newestTold(all()).findLast(({ progress }) => progress === null);
      if (!told || !isOnline() || isOver) return;
      const answer = await askServer('/api/telling', await withSound(told), progressSchema);
      if (answer.ok) keep(told.id, answer.value);
      else if (answer.status === null || isForLater(answer.status)) return;
      else keep(told.id, notTaken(told.id, answer.status));
    }
  };
  const withSound = async ({ id, notice, place, soundId }: Told) => {
    const sound = soundId === null ? null : await readSound(soundId);
    return { id, place, notice: { ...notice, soundWav: sound?.wav ?? null } };
  };
  const follow = async () => {
    const ids = unfinished().flatMap(({ id, progress }) => (progress === null ? [] : [id]));
    if (ids.length === 0 || !isOnline()) return;
    for (let at = 0; at < ids.length; at += mostAsked) {
      const some = ids.slice(at, at + mostAsked);
      const answer = await askServer('/api/telling/progress', { ids: some }, z.array(progressSchema));
      if (!answer.ok) return;
      const found = new Map(answer.value.map((progress) => [progress.id, progress]));
      // What the server has forgotten is handed over anew.
      for (const id of some) keep(id, found.get(id) ?? null);
    }
  };
  const stops = [
    whenChanged(
      store,
      (state) => state.inbox.kept.told,
      () => void look(),
    ),
    whenChanged(
      store,
      (state) => state.office.isOnline,
      () => void look(),
    ),
  ];
  void look();
  return () => {
    isOver = true;
    clearTimeout(timer);
    for (const stop of stops) stop();
  };
}

function forgetOld(store: AppStore, { clock }: Services): void {
  const old = Object.values(store.getState().inbox.kept.told).filter(
    ({ notice, progress }) =>
      progress !== null && progress.state !== 'waiting' && clock.now() - notice.at > rememberMs,
  );
  if (old.length > 0)
    store.dispatch(
      dropSome(
        'told',
        old.map(({ id }) => id),
      ),
    );
}

/** No such path yet, too much at once, or a server in trouble: another time it may do. */
const isForLater = (status: number) => status === 404 || status === 429 || status >= 500;

const notTaken = (id: string, status: number): Progress => ({
  id,
  state: 'failed',
  tries: 0,
  problem: `The server did not accept it (${status}).`,
  nextAt: null,
});
