import type { PictureKind } from '@/core/calls/meetings';

/** How large pictures are looked at, in rows of a screen; 0: not at all; left out: as is usual. */
export type Looks = Partial<Record<PictureKind, number>>;

/** A picture where it is shown on this screen, and in how many rows of it. */
export interface Look {
  legId: string;
  kind: PictureKind;
  rows: number;
  /** In a window of its own, which is seen also while the page is not. */
  isApart?: boolean;
}

/** How large the pictures of others are looked at on this page: what is not, or while the page is not seen, need not be sent. */
export class PictureLooks {
  private readonly looks = new Map<object, Look>();

  /** What one element shows from now on; null: nothing any more. */
  set(element: object, look: Look | null): void {
    if (look) this.looks.set(element, look);
    else this.looks.delete(element);
  }

  /** By the ends from which they come. */
  at(pictures: readonly Pick<Look, 'legId' | 'kind'>[]): Map<string, Looks> {
    const isSeen = globalThis.document?.visibilityState !== 'hidden';
    const all = new Map<string, Looks>();
    for (const { legId, kind } of pictures) {
      const rows = [...this.looks.values()]
        .filter((each) => each.legId === legId && each.kind === kind && (isSeen || each.isApart === true))
        .map((each) => each.rows);
      all.set(legId, { ...all.get(legId), [kind]: Math.max(0, ...rows) });
    }
    return all;
  }
}
