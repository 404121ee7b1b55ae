/** What became of things that are kept by their ids. */
export interface Changes<T> {
  /** New, or in the place of another. */
  put: readonly T[];
  goneIds: readonly string[];
}

interface Compared {
  /** Weakly: each version would else keep all that were before it. */
  before: WeakRef<object>;
  changes: Changes<unknown>;
}

/** Of the last comparison with each, since all who follow ask for the same one. */
const compared = new WeakMap<object, Compared>();

/** Says what `now` was made by, where that is known without looking through it. */
export function noteChanges<T>(
  before: Readonly<Record<string, T>>,
  now: Readonly<Record<string, T>>,
  changes: Changes<T>,
): void {
  compared.set(now, { before: new WeakRef(before), changes });
}

/** What is otherwise in `now` than it was `before`. */
export function changesBetween<T>(
  before: Readonly<Record<string, T>>,
  now: Readonly<Record<string, T>>,
): Changes<T> {
  if (before === now) return { put: [], goneIds: [] };
  const known = compared.get(now);
  if (known?.before.deref() === before) return known.changes as Changes<T>;
  const put: T[] = [];
  let stayed = 0;
  for (const id in now) {
    const thing = now[id] as T;
    if (id in before) stayed++;
    if (before[id] !== thing) put.push(thing);
  }
  const ids = Object.keys(before);
  const goneIds = stayed === ids.length ? [] : ids.filter((id) => !(id in now));
  const changes = { put, goneIds };
  noteChanges(before, now, changes);
  return changes;
}
