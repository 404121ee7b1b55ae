import { z } from 'zod';

import type { Port } from '@/office/channel';

import { settingsKind } from '../storage';

/** What one tab of this browser says to the others. */
export const betweenTabsSchema = z.discriminatedUnion('kind', [
  /** What is kept has been replaced: everything begins anew from it. */
  z.object({ kind: z.literal('reload') }),
  /** Nothing is to stay on this device. */
  z.object({ kind: z.literal('wiped') }),
  /** The office was ended for something that was not done after all. */
  z.object({ kind: z.literal('reopen') }),
  z.object({ kind: z.literal('settings'), settings: settingsKind.schema }),
  /** Whoever is in front tells it: a sentence for the screen, or a notice of the system for a worker who is elsewhere. */
  z.object({ kind: z.literal('sentence'), sentence: z.string() }),
  z.object({
    kind: z.literal('notice'),
    notice: z.object({
      kind: z.enum(['texts', 'voicemails', 'faxes', 'colleagues']),
      ...{ tag: z.string(), title: z.string(), body: z.string() },
    }),
  }),
]);
export type BetweenTabs = z.infer<typeof betweenTabsSchema>;

/** The other tabs of this browser that have the same office open. */
export class OtherTabs {
  private readonly listeners = new Set<(said: BetweenTabs) => void>();

  constructor(private readonly port: Port) {
    port.hear((message) => {
      const read = betweenTabsSchema.safeParse(message);
      if (read.success) for (const listener of this.listeners) listener(read.data);
    });
  }

  say(said: BetweenTabs): void {
    this.port.say(said);
  }

  hear(listener: (said: BetweenTabs) => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  close(): void {
    this.port.close();
    this.listeners.clear();
  }
}
