import { sampleBooks } from '@sample/books';
import { sampleInbox } from '@sample/inbox';
import transcripts from '@sample/transcripts.json';

import type { Beginning, LaterBeginning } from '@/state/app';

import { sample } from './sample';

export const laterOf = (beginning: Beginning): LaterBeginning => ({
  cameBefore: beginning === sample ? sampleInbox : null,
  words: transcripts,
  books: sampleBooks,
});
