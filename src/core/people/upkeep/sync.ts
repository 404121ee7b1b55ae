import { z } from 'zod';

import { fieldsSchema, ownSource, type Card } from '@/core/people/contacts';

export const syncPageSchema = z.object({
  /** Cards that are new or changed, or (null) gone. */
  changes: z.array(z.object({ key: z.string(), fields: fieldsSchema.nullable() })),
  /** Up to where this page goes: asked with it, the source tells what came after. */
  token: z.string(),
  hasMore: z.boolean(),
});
/**
 * One page of what a source has to tell since a token, in the manner of a sync-collection report (RFC 6578): what is gone
 * is said, so that a sync that ends in the middle takes nothing away that it has only not reached.
 */
export type SyncPage = z.infer<typeof syncPageSchema>;

export const sourceSchema = z.object({
  id: z.string(),
  /** What it has told so far is in the directory, and more is asked for. */
  isOn: z.boolean(),
  token: z.string().nullable(),
  /** When all was told last (epoch milliseconds). */
  syncedAt: z.number().nullable(),
  last: z
    .object({ added: z.number(), changed: z.number(), gone: z.number(), keptAsOwn: z.number() })
    .nullable(),
  /** Why the latest sync did not come to its end; null: it did. */
  problem: z.string().nullable(),
  /** The stand-in's: how much has changed there, and whether it breaks off in the middle. */
  outside: z.object({ step: z.number(), breaksOff: z.boolean() }),
});
/** A source of contacts, as this device stands with it. */
export type Source = z.infer<typeof sourceSchema>;

export const newSource = (id: string): Source => ({
  id,
  isOn: false,
  token: null,
  syncedAt: null,
  last: null,
  problem: null,
  outside: { step: 0, breaksOff: false },
});

export interface Synced {
  put: Card[];
  droppedIds: string[];
  added: number;
  changed: number;
  gone: number;
  /** Gone from the source, but kept as the worker's own, who had changed or joined them. */
  keptAsOwn: number;
}

/**
 * What a page changes of the cards a source has told of before. A card that the worker has changed or joined is never
 * taken away: gone from its source, it is the worker's own.
 *
 * @param isHeld whether the worker changed or joined the card of that id
 */
export function applySync(
  sourceId: string,
  cards: Iterable<Card>,
  { changes }: Pick<SyncPage, 'changes'>,
  isHeld: (cardId: string) => boolean,
): Synced {
  const byKey = new Map<string, Card>();
  for (const card of cards)
    if (card.sourceId === sourceId && card.sourceKey !== null) byKey.set(card.sourceKey, card);
  const synced: Synced = { put: [], droppedIds: [], added: 0, changed: 0, gone: 0, keptAsOwn: 0 };
  // Of several words on one card in a page, the last holds.
  for (const [key, fields] of new Map(changes.map((change) => [change.key, change.fields]))) {
    const known = byKey.get(key);
    if (fields) {
      const card: Card = { ...fields, id: known?.id ?? `${sourceId}-${key}`, sourceId, sourceKey: key };
      if (known && JSON.stringify(sorted(known)) === JSON.stringify(sorted(card))) continue;
      synced.put.push(card);
      synced[known ? 'changed' : 'added']++;
    } else if (known && isHeld(known.id)) {
      synced.put.push({ ...known, sourceId: ownSource, sourceKey: null });
      synced.keptAsOwn++;
    } else if (known) {
      synced.droppedIds.push(known.id);
      synced.gone++;
    }
  }
  return synced;
}

const sorted = (card: Card) => Object.entries(card).sort(([a], [b]) => (a < b ? -1 : 1));
