import type { OfficeState, Numbered } from '../link';

type Kept = NonNullable<OfficeState['answered']>;
type Replies = Kept[number]['replies'];
type Reply = Replies[number][1];

/** So many apps are remembered, those that asked last, where it is not said; of an app, so many answers. */
const mostApps = 16;
const mostReplies = 100;

/**
 * What apps were answered and may not have heard: kept together with what it changed, so that an app that asks again, of a host that
 * was begun anew, gets the same answer and nothing is done twice.
 */
export class Answered {
  private readonly byApp = new Map<string, Map<number, Reply>>();
  private changed = new Set<string>();

  constructor(
    kept: Kept = [],
    private readonly most = mostApps,
  ) {
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
    this.changed.add(app);
    dropOldest(replies, mostReplies);
    for (const forgotten of dropOldest(this.byApp, this.most)) this.changed.add(forgotten);
  }

  /** What has changed since it was last taken, by its app; null: it is forgotten. */
  takeChanges(): Map<string, Replies | null> {
    const changes = new Map([...this.changed].map((app) => [app, this.of(app)]));
    this.changed = new Set();
    return changes;
  }

  save(): Kept {
    return [...this.byApp.keys()].map((app) => ({ app, replies: this.of(app) ?? [] }));
  }

  private of(app: string): Replies | null {
    const replies = this.byApp.get(app);
    return replies ? [...replies] : null;
  }
}

function dropOldest<Key>(map: Map<Key, unknown>, most: number): Key[] {
  const dropped: Key[] = [];
  for (const key of map.keys()) {
    if (map.size <= most) break;
    map.delete(key);
    dropped.push(key);
  }
  return dropped;
}
