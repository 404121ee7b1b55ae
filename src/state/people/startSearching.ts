import { usageOf } from '@/core/people/search';
import {
  selectContacts,
  selectMyId,
  selectOffice,
  selectPeople,
  type AppStore,
  type RootState,
  type Services,
  onceSo,
  selectFavourites,
  whenChanged,
} from '@/state/app';
import { searchInWorker, searchOnPage, type PeopleSearcher } from '@/workers/searchPeople';

import { isDifferent, listAll, type Listed, type SearchSources } from './searchables';

/** Changes that come together are told together, when there is a pause. */
const gatherMs = 100;
const chunk = 1_000;
const longestStretchMs = 8;
/** Numbers of so many calls are found though nobody has them. */
const mostRecords = 3_000;

/** Keeps the search for people told of everybody who can be found. Gives what ends it. */
export function startSearching(store: AppStore, services: Services): () => void {
  let told: ReadonlyMap<string, Listed> = new Map();
  let last: readonly unknown[] = [];
  let timer: ReturnType<typeof setTimeout> | undefined;
  let isOver = false;
  const listeners = new Set<() => void>();
  let searcher = typeof Worker === 'undefined' ? searchOnPage() : searchInWorker(() => begin(searchOnPage()));

  const begin = (next: PeopleSearcher) => {
    if (isOver) return;
    searcher = next;
    told = new Map();
    last = [];
    schedule();
  };
  /** Tells what is new since the last time. Goes through all in stretches, so that no frame waits for it. */
  const tell = async () => {
    const state = store.getState();
    const now = inputsOf(state);
    if (isOver || now.every((input, at) => input === last[at])) return;
    last = now;
    const listed = new Map<string, Listed>();
    const changed: Listed[] = [];
    let began = performance.now();
    for (const each of listAll(sourcesOf(state))) {
      listed.set(each.key, each);
      if (isDifferent(told.get(each.key), each)) changed.push(each);
      if (performance.now() - began < longestStretchMs) continue;
      await new Promise((resolve) => setTimeout(resolve));
      began = performance.now();
    }
    const gone = [...told.keys()].filter((key) => !listed.has(key));
    told = listed;
    if (gone.length > 0) searcher.drop(gone);
    searcher.use(usageOf(state.history.records, services.clock.now()));
    await handOver(changed, searcher);
  };
  /** One after the other. */
  let telling = Promise.resolve();
  const tellNow = () => {
    clearTimeout(timer);
    return (telling = telling.then(tell));
  };
  /** Some at a time, so that no frame waits; who looks for somebody meanwhile is told when all are there. */
  const handOver = async (entries: readonly Listed[], to: PeopleSearcher): Promise<void> => {
    if (isOver || to !== searcher) return;
    // Who has gone or changed again meanwhile is told of apart.
    const current = entries
      .slice(0, chunk)
      .filter((listed) => told.has(listed.key) && !isDifferent(told.get(listed.key), listed));
    if (current.length > 0) to.put(current.map(({ make }) => make()));
    if (entries.length > chunk) {
      await new Promise((resolve) => setTimeout(resolve));
      return handOver(entries.slice(chunk), to);
    }
    for (const changed of listeners) changed();
  };
  const schedule = () => {
    clearTimeout(timer);
    timer = setTimeout(() => void tellNow(), gatherMs);
  };

  const whenAll = onceSo(store, (state) => state.inbox.isRead);
  services.finding.finder = {
    whenAll,
    find: async (text, most) => {
      // What has just changed is found already.
      await tellNow();
      return searcher.find(text, most);
    },
    subscribe: (changed) => {
      listeners.add(changed);
      return () => listeners.delete(changed);
    },
  };
  const stop = whenChanged(store, (state) => state, schedule);
  schedule();
  return () => {
    isOver = true;
    stop();
    clearTimeout(timer);
    searcher.stop();
    services.finding.finder = null;
  };
}

/** What the entries are made of: while none of it changes, they don't. */
const inputsOf = (state: RootState): unknown[] => [
  selectOffice(state),
  selectContacts(state),
  state.inbox.kept.messages,
  state.history.records,
  selectFavourites(state),
];

function sourcesOf(state: RootState): SearchSources {
  const recent = new Map<string, string | null>();
  let count = 0;
  for (const { other } of state.history.records) {
    if (count++ === mostRecords) break;
    if (other.number !== null && !recent.has(other.number)) recent.set(other.number, other.name);
  }
  return {
    office: selectOffice(state),
    contacts: selectContacts(state),
    people: selectPeople(state),
    messages: state.inbox.kept.messages,
    voicemails: state.inbox.kept.voicemails,
    recent,
    favourites: selectFavourites(state),
    myId: selectMyId(state),
  };
}
