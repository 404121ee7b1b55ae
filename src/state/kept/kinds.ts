import { z } from 'zod';

import { looseWeightsSchema } from '@/core/inbox/looseEnds';
import { destinationSchema, toldSchema } from '@/core/inbox/notifications';
import { sourceSchema } from '@/core/people/upkeep';
import { changesSchema, joinSchema, ownSource, peopleBlockSchema } from '@/core/people/contacts';
import { deletedRecordingSchema } from '@/core/calls/recordings';
import type { Kept, OwnSort } from '@/state/app';

import { owned, type BelongingKind, type StoredKind, type workKinds } from '../storage';

/** A fax's pages as base64; where they could not be fetched yet, from where they can be. */
const faxPagesSchema = z.object({ pdf: z.string().nullable(), url: z.string().nullable() });
export const faxPagesKind: StoredKind<z.infer<typeof faxPagesSchema>> = {
  version: 1,
  schema: faxPagesSchema,
};

const pictureSchema = z.object({ url: z.string() });
/** A picture of a text, as a data URL. */
export const pictureKind: StoredKind<z.infer<typeof pictureSchema>> = { version: 1, schema: pictureSchema };

export const inboxKeys = {
  faxPages: 'faxPages/',
  picture: 'picture/',
} as const;

const markSchema = z.object({ id: z.enum(['seen', 'told']), at: z.number() });
const weightsSchema = looseWeightsSchema.extend({ id: z.literal('order') });
const freeWatchSchema = z.object({ id: z.string(), since: z.number(), thenCall: z.boolean() });

/** A contact of the first version, which stood alone. */
const blockOfOne = (data: unknown) => {
  const contact = data as { id: string };
  const card = { places: [], groups: [], photo: null, ...contact, sourceId: ownSource, sourceKey: null };
  return { id: contact.id, cards: [card] };
};

/** What each keeps for themselves beside notes and follow-ups, and what is read after the start. */
export const keptKinds: {
  readonly [Sort in Exclude<OwnSort, keyof typeof workKinds>]: BelongingKind<Kept[Sort]>;
} = {
  people: { prefix: 'contact/', ...owned(peopleBlockSchema, blockOfOne), name: 'contacts' },
  changes: { prefix: 'contactChange/', ...owned(changesSchema), name: 'changes of contacts' },
  joins: { prefix: 'contactJoin/', ...owned(joinSchema), name: 'joined contacts' },
  freeWatches: { prefix: 'freeWatch/', ...owned(freeWatchSchema), name: 'colleagues waited for' },
  sources: { prefix: 'source/', ...owned(sourceSchema), name: 'sources of contacts' },
  destinations: { prefix: 'toldPlace/', ...owned(destinationSchema), name: 'places that are told' },
  told: { prefix: 'told/', ...owned(toldSchema), name: 'deliveries elsewhere' },
  deletedRecordings: {
    prefix: 'recordingDeleted/',
    ...owned(deletedRecordingSchema),
    name: 'deleted recordings',
  },
  marks: { prefix: 'mark/', ...owned(markSchema), name: 'marks of what was seen' },
  weights: { prefix: 'weights/', ...owned(weightsSchema), name: 'points of the order' },
};
