import { sampleBooks } from '@sample/books';
import { sampleCatchUp } from '@sample/catchUp';
import transcripts from '@sample/transcripts.json';

import type { Beginning, LaterBeginning } from '@/state/app';

import { sample } from './sample';

export const laterOf = (beginning: Beginning): LaterBeginning => ({
  cameBefore: beginning === sample ? sampleCatchUp : null,
  words: transcripts,
  books: sampleBooks,
});
