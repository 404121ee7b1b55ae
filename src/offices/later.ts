import { sampleBooks } from '@sample/books';
import { sampleInbox, sampleWorkerId } from '@sample/inbox';
import transcripts from '@sample/transcripts.json';

import type { Beginning, LaterBeginning } from '@/state/app';

import { sample } from './sample';

export const laterOf = (beginning: Beginning): LaterBeginning => ({
  cameBefore: beginning === sample ? sampleInbox : null,
  cameFor: beginning === sample ? sampleWorkerId : null,
  words: transcripts,
  books: sampleBooks,
});
