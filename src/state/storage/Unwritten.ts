/** Stands for what is to be taken out: no text in the stored form begins so. */
const gone = 'gone';

type LocalStorage = Pick<Storage, 'key' | 'length' | 'getItem' | 'setItem' | 'removeItem'>;

/** A browser that blocks site data throws on the very name ("SecurityError"). */
export function browserStorage(): LocalStorage | null {
  try {
    return globalThis.localStorage;
  } catch {
    return null;
  }
}

/**
 * What the closing page had not yet written. IndexedDB answers later, and a page that is closed or reloaded waits for
 * no answer; local storage takes what it is given before the page goes.
 */
export class Unwritten {
  private readonly prefix: string;

  /**
   * @param storage null where this browser lets nothing be kept.
   * @param name of the storage whose page closes.
   */
  constructor(
    private readonly storage: LocalStorage | null = browserStorage(),
    name = 'cendro',
  ) {
    this.prefix = `${name}/unwritten/`;
  }

  /** Keeps what fits: each by itself, so that a large one costs no small one. */
  keep(entries: ReadonlyMap<string, string | null>): void {
    for (const [key, text] of entries) {
      try {
        this.storage?.setItem(this.prefix + key, text ?? gone);
      } catch {
        // No room for this one, or nothing may be kept at all.
      }
    }
  }

  all(): Map<string, string | null> {
    const found = new Map<string, string | null>();
    const { storage } = this;
    if (!storage) return found;
    try {
      for (let index = 0; index < storage.length; index++) {
        const key = storage.key(index);
        if (!key?.startsWith(this.prefix)) continue;
        const text = storage.getItem(key);
        found.set(key.slice(this.prefix.length), text === gone ? null : text);
      }
    } catch {
      return found;
    }
    return found;
  }

  clear(): void {
    for (const key of this.all().keys()) this.storage?.removeItem(this.prefix + key);
  }
}
