import { z } from 'zod';

import { officeRequestSchema } from '@/core/office';
import type { Unanswered } from '@/office/channel';

import { browserStorage } from '../storage';
import { whoSchema, type Who } from './messages';

const requestsSchema = z.array(z.object({ id: z.number().int().positive(), request: officeRequestSchema }));
/** Earlier versions kept whose they were, and still earlier ones the requests alone. */
const askedSchema = z.union([
  z.object({ who: whoSchema, asked: requestsSchema }),
  z
    .object({ personId: z.string().nullable(), asked: requestsSchema })
    .transform(({ personId, asked }) => ({ who: { by: 'chair', personId } as const, asked })),
  requestsSchema.transform((asked) => ({ who: { by: 'chair', personId: null } as const, asked })),
]);

/** What an app had asked when its page was closed, and of which nobody knows whether it was done. */
export interface LeftBehind {
  app: string;
  who: Who;
  asked: Unanswered[];
}

/**
 * What was written and not answered when its page went: local storage takes it before that. The next page asks for it once more
 * under the same numbers, so that it is done once.
 */
export class Unasked {
  private readonly prefix: string;

  constructor(
    name: string,
    private readonly storage: Pick<
      Storage,
      'key' | 'length' | 'getItem' | 'setItem' | 'removeItem'
    > | null = browserStorage(),
  ) {
    this.prefix = `${name}/unasked/`;
  }

  keep({ app, who, asked }: LeftBehind): void {
    try {
      if (asked.length > 0) this.storage?.setItem(this.prefix + app, JSON.stringify({ who, asked }));
    } catch {
      // No room for it, or nothing may be kept at all.
    }
  }

  all(): LeftBehind[] {
    const left: LeftBehind[] = [];
    try {
      for (let index = 0; index < (this.storage?.length ?? 0); index++) {
        const key = this.storage?.key(index);
        if (!key?.startsWith(this.prefix)) continue;
        const read = askedSchema.safeParse(JSON.parse(this.storage?.getItem(key) ?? ''));
        if (!read.success) continue;
        const { who, asked } = read.data;
        left.push({ app: key.slice(this.prefix.length), who, asked: asked as Unanswered[] });
      }
    } catch {
      // What can't be read is left where it is.
    }
    return left;
  }

  drop(app: string): void {
    try {
      this.storage?.removeItem(this.prefix + app);
    } catch {
      // It is asked for once more then, and answered as before.
    }
  }
}
