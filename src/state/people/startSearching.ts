import { usageOf, type Searchable } from '@/core/peopleSearch';
import {
  selectContacts,
  selectOffice,
  selectPeople,
  type AppStore,
  type RootState,
  type Services,
} from '@/state/app';
import { searchInWorker, searchOnPage, type PeopleSearcher } from '@/workers/searchPeople';

import { differenceOf, searchablesOf, type SearchSources } from './searchables';

/** Changes that come together are told together. */
const gatherMs = 30;
const chunk = 1_000;
/** Numbers of so many calls are found though nobody has them. */
const mostRecords = 3_000;

/** Keeps the search for people told of everybody who can be found. Gives what ends it. */
export function startSearching(store: AppStore, services: Services): () => void {
  let told: ReadonlyMap<string, Searchable> = new Map();
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
  const tell = () => {
    timer = undefined;
    const state = store.getState();
    const now = inputsOf(state);
    if (now.every((input, at) => input === last[at])) return;
    last = now;
    const entries = searchablesOf(sourcesOf(state));
    const { changed, gone } = differenceOf(told, entries);
    told = entries;
    if (gone.length > 0) searcher.drop(gone);
    searcher.use(usageOf(state.history.records, services.clock.now()));
    handOver(changed, searcher);
  };
  /** Some at a time, so that no frame waits; who looks for somebody meanwhile is told when all are there. */
  const handOver = (entries: readonly Searchable[], to: PeopleSearcher) => {
    if (isOver || to !== searcher) return;
    if (entries.length > 0) to.put(entries.slice(0, chunk));
    if (entries.length > chunk) setTimeout(() => handOver(entries.slice(chunk), to));
    else for (const changed of listeners) changed();
  };
  const schedule = () => {
    timer ??= setTimeout(tell, gatherMs);
  };

  services.search = {
    find: (text, most) => {
      // What has just changed is found already.
      clearTimeout(timer);
      tell();
      return searcher.find(text, most);
    },
    subscribe: (changed) => {
      listeners.add(changed);
      return () => listeners.delete(changed);
    },
  };
  const stop = store.subscribe(schedule);
  schedule();
  return () => {
    isOver = true;
    stop();
    clearTimeout(timer);
    searcher.stop();
    services.search = null;
  };
}

/** What the entries are made of: while none of it changes, they don't. */
const inputsOf = (state: RootState): unknown[] => [
  selectOffice(state),
  selectContacts(state),
  state.catchUp.kept.messages,
  state.history.records,
  state.settings.favourites,
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
    messages: state.catchUp.kept.messages,
    recent,
    favourites: state.settings.favourites,
    myId: state.office.me?.personId ?? null,
  };
}
