import type { OfficeState, Numbered } from '../link';

type Kept = NonNullable<OfficeState['answered']>;
type Reply = Kept[number]['replies'][number][1];

/** So many apps are remembered, those that asked last; of an app, so many answers. */
const mostApps = 16;
const mostReplies = 100;

/**
 * What apps were answered and may not have heard: kept together with what it changed, so that an app that asks again, of a host that
 * was begun anew, gets the same answer and nothing is done twice.
 */
export class Answered {
  private readonly byApp = new Map<string, Map<number, Reply>>();

  constructor(kept: Kept = []) {
    for (const { app, replies } of kept) this.byApp.set(app, new Map(replies));
  }

  /** How it was answered; null where it was not. */
  to({ app, id }: Numbered): Reply | null {
    return this.byApp.get(app)?.get(id) ?? null;
  }

  note({ app, id, answeredUpTo }: Numbered, reply: Reply): void {
    const replies = this.byApp.get(app) ?? new Map<number, Reply>();
    this.byApp.delete(app);
    this.byApp.set(app, replies);
    for (const heard of replies.keys()) if (heard <= answeredUpTo) replies.delete(heard);
    replies.set(id, reply);
    dropOldest(replies, mostReplies);
    dropOldest(this.byApp, mostApps);
  }

  save(): Kept {
    return [...this.byApp].map(([app, replies]) => ({ app, replies: [...replies] }));
  }
}

function dropOldest<Key>(map: Map<Key, unknown>, most: number): void {
  for (const key of map.keys()) {
    if (map.size <= most) return;
    map.delete(key);
  }
}
