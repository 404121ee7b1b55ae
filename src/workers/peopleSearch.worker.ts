import { PeopleSearch } from '@/core/people/search';

import type { SearchAnswer, SearchTask } from './searchPeople';

const search = new PeopleSearch();

/** Finds people beside the page, so that no key waits for thousands of them. */
self.onmessage = ({ data }: MessageEvent<SearchTask>) => {
  switch (data.kind) {
    case 'put':
      search.put(data.entries);
      return;
    case 'drop':
      search.drop(data.keys);
      return;
    case 'use':
      search.use(data.usage);
      return;
    case 'find':
      self.postMessage({
        asked: data.asked,
        hits: search.find(data.text, data.most),
      } satisfies SearchAnswer);
  }
};
