import { applySync, newSource, syncPageSchema, type Source } from '@/core/people/upkeep';
import { SourceBroken, StandInSource, type Book } from '@/office/sources';
import { keepOne, selectCards, whenChanged, type AppStore, type RootState, type Services } from '@/state/app';

import { dropCards, putCards, type Act } from './blocks';

const sourceOf = ({ inbox }: RootState, id: string): Source => inbox.kept.sources[id] ?? newSource(id);

/** Where contacts come from. */
export const selectSources = (state: RootState, books: ReadonlyMap<string, Book>): Source[] =>
  [...books.keys()].map((id) => sourceOf(state, id));

const nothing = { added: 0, changed: 0, gone: 0, keptAsOwn: 0 };

/**
 * Asks a source for what has come since, page by page. Each page is kept with its token before the next is asked for, so
 * that one that breaks off loses nothing and takes nothing away; the next sync goes on from there.
 */
export const syncSource =
  (id: string): Act =>
  (dispatch, getState, { clock, books }) => {
    const book = books.get(id);
    if (!book || !sourceOf(getState(), id).isOn) return;
    const keep = (change: Partial<Source>) =>
      dispatch(keepOne('sources', { ...sourceOf(getState(), id), ...change }));
    if (!getState().office.isOnline) {
      keep({ problem: 'There is no network: what came before is kept.' });
      return;
    }
    let last = { ...nothing };
    try {
      const standIn = new StandInSource(book, sourceOf(getState(), id).outside);
      for (let hasMore = true; hasMore;) {
        const told = syncPageSchema.safeParse(standIn.changesSince(sourceOf(getState(), id).token));
        if (!told.success) throw new SourceBroken(`${book.name} sent something that can’t be read.`);
        const page = told.data;
        const synced = applySync(id, selectCards(getState()), page, isHeldIn(getState()));
        if (synced.put.length > 0) dispatch(putCards(synced.put));
        if (synced.droppedIds.length > 0) dispatch(dropCards(synced.droppedIds));
        last = {
          added: last.added + synced.added,
          changed: last.changed + synced.changed,
          gone: last.gone + synced.gone,
          keptAsOwn: last.keptAsOwn + synced.keptAsOwn,
        };
        keep({ token: page.token, last });
        hasMore = page.hasMore;
      }
      keep({ problem: null, syncedAt: clock.now(), last });
    } catch (error) {
      if (!(error instanceof SourceBroken)) throw error;
      keep({ problem: error.message, last });
    }
  };

/** Whether the worker changed or joined a card, so that it is theirs too. */
function isHeldIn({ inbox }: RootState): (cardId: string) => boolean {
  const { changes, joins } = inbox.kept;
  const joined = new Set(Object.values(joins).flatMap(({ isSame, cardIds }) => (isSame ? cardIds : [])));
  return (cardId) => cardId in changes || joined.has(cardId);
}

/** Joins a source, and brings in what it tells. */
export const connectSource =
  (id: string): Act =>
  (dispatch, getState) => {
    dispatch(keepOne('sources', { ...sourceOf(getState(), id), isOn: true }));
    dispatch(syncSource(id));
  };

/** Leaves a source: what it told goes, but for those whom the worker changed or joined. Gives what undoes it. */
export const leaveSource =
  (id: string): Act<() => void> =>
  (dispatch, getState) => {
    const state = getState();
    const theirs = selectCards(state).filter(({ sourceId }) => sourceId === id);
    const changes = theirs.map(({ sourceKey }) => ({ key: sourceKey ?? '', fields: null }));
    const { put, droppedIds } = applySync(id, theirs, { changes }, isHeldIn(state));
    dispatch(putCards(put));
    dispatch(dropCards(droppedIds));
    const before = sourceOf(state, id);
    dispatch(keepOne('sources', { ...newSource(id), outside: before.outside }));
    return () => {
      dispatch(putCards(theirs));
      dispatch(keepOne('sources', before));
    };
  };

/** For Outside: the next thing changes in a source, or it breaks off from now on. */
export const changeOutside =
  (id: string, change: Partial<Source['outside']>): Act =>
  (dispatch, getState) => {
    const source = sourceOf(getState(), id);
    dispatch(keepOne('sources', { ...source, outside: { ...source.outside, ...change } }));
  };

/** How long a change elsewhere may take to come here. */
export const syncEveryMs = 15 * 60_000;

/** Syncs what is joined: now, every quarter of an hour, and when there is a network again. Gives what ends it. */
export function startSyncing(store: AppStore, { books }: Pick<Services, 'books'>): () => void {
  const syncAll = () => {
    for (const { id, isOn } of selectSources(store.getState(), books))
      if (isOn) store.dispatch(syncSource(id));
  };
  const isReady = ({ inbox, office }: RootState) => inbox.isRead && office.isOnline;
  const syncReady = () => {
    if (isReady(store.getState())) syncAll();
  };
  const stop = whenChanged(store, isReady, syncReady);
  syncReady();
  const timer = setInterval(syncReady, syncEveryMs);
  return () => {
    stop();
    clearInterval(timer);
  };
}
