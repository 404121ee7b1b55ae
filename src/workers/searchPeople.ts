import { PeopleSearch, type Hit, type Searchable } from '@/core/people/search';

export type SearchTask =
  | { kind: 'put'; entries: readonly Searchable[] }
  | { kind: 'drop'; keys: readonly string[] }
  | { kind: 'use'; usage: ReadonlyMap<string, number> }
  | { kind: 'find'; asked: number; text: string; most: number };

export interface SearchAnswer {
  asked: number;
  hits: Hit[];
}

/** The search for people, wherever it runs. */
export interface PeopleSearcher {
  put: (entries: readonly Searchable[]) => void;
  drop: (keys: readonly string[]) => void;
  use: (usage: ReadonlyMap<string, number>) => void;
  find: (text: string, most: number) => Promise<Hit[]>;
  stop: () => void;
}

/**
 * A search in a worker of its own.
 *
 * @param onFailure the worker can't be fetched now: everything has to be put into another search
 */
export function searchInWorker(onFailure: () => void): PeopleSearcher {
  const worker = new Worker(new URL('./peopleSearch.worker', window.location.href));
  const waiting = new Map<number, (hits: Hit[]) => void>();
  let asked = 0;
  const send = (task: SearchTask) => worker.postMessage(task);
  worker.onmessage = ({ data }: MessageEvent<SearchAnswer>) => {
    waiting.get(data.asked)?.(data.hits);
    waiting.delete(data.asked);
  };
  worker.onerror = () => {
    worker.terminate();
    for (const resolve of waiting.values()) resolve([]);
    onFailure();
  };
  return {
    put: (entries) => send({ kind: 'put', entries }),
    drop: (keys) => send({ kind: 'drop', keys }),
    use: (usage) => send({ kind: 'use', usage }),
    find: (text, most) =>
      new Promise((resolve) => {
        waiting.set(++asked, resolve);
        send({ kind: 'find', asked, text, most });
      }),
    stop: () => worker.terminate(),
  };
}

/** The same on the page, where there is no worker. */
export function searchOnPage(): PeopleSearcher {
  const search = new PeopleSearch();
  return {
    put: (entries) => search.put(entries),
    drop: (keys) => search.drop(keys),
    use: (usage) => search.use(usage),
    find: (text, most) => Promise.resolve(search.find(text, most)),
    stop: () => undefined,
  };
}
