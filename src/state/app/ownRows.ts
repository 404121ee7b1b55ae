import type { Action, ThunkAction } from '@reduxjs/toolkit';

import type { InboxRequest, SeenChange, SeenPersonal, SeenTables } from '@/core/office';
import type { OfficeLink } from '@/office/link';

import {
  dropSome,
  keepMany,
  officeSorts,
  type InboxSlice,
  type Kept,
  type OneKept,
  type OwnSort,
} from './inboxSlice';
import { changesBetween } from './changes';
import { explainInboxRefusal } from './refusals';
import { selectOffice } from './selectors';
import { actRefused } from './slices';
import type { Services } from './services';
import { whenChanged, type AppStore, type RootState } from './store';

type KeptThings = InboxSlice['kept'];

const isOwnSort = (sort: string, kept: KeptThings): sort is OwnSort =>
  Object.hasOwn(kept, sort) && !officeSorts.some((each) => each === sort);
const nameOf = ({ sort, ...change }: SeenPersonal) =>
  JSON.stringify([sort, 'put' in change ? change.put.id : change.gone]);

/** The worker's own rows as they are. */
export const ownRowsRead =
  (mine: SeenTables['personal']): ThunkAction<void, RootState, Services, Action> =>
  (dispatch, getState) => {
    for (const sort of new Set(mine.map((each) => each.sort))) {
      if (!isOwnSort(sort, getState().inbox.kept)) continue;
      const rows = mine.filter((each) => each.sort === sort).map(({ row }) => row);
      dispatch(keepMany(sort, rows as unknown as Kept[OwnSort][]));
    }
  };

/**
 * What the worker keeps for themselves: it is changed here at once, kept by the office, and heard of at their other devices. What
 * comes from there while a change of the same row is on its way to the office is overtaken by it.
 */
export class OwnRows {
  private isTakingIn = false;
  /** How many changes of a row have not been answered. */
  private readonly underway = new Map<string, number>();
  private readonly stopFollowing: () => void;

  constructor(
    private readonly store: AppStore,
    private readonly link: Pick<OfficeLink, 'ask'>,
  ) {
    this.stopFollowing = whenChanged(
      store,
      (state) => state.inbox.kept,
      (now, before) => this.follow(now, before),
    );
  }

  /** Changes the state to what the office has: nothing of it is sent back there. */
  takeIn(act: () => void): void {
    this.isTakingIn = true;
    try {
      act();
    } finally {
      this.isTakingIn = false;
    }
  }

  /** What the office has changed, or has been asked to by another device. */
  hear(changes: readonly SeenChange[]): void {
    const { kept } = this.store.getState().inbox;
    const put = new Map<OwnSort, Kept[OwnSort][]>();
    const gone = new Map<OwnSort, string[]>();
    for (const change of changes) {
      if (change.table !== 'personal' || !isOwnSort(change.sort, kept)) continue;
      if (this.underway.has(nameOf(change))) continue;
      const { sort } = change;
      if ('put' in change) put.set(sort, [...(put.get(sort) ?? []), change.put as unknown as Kept[OwnSort]]);
      else gone.set(sort, [...(gone.get(sort) ?? []), change.gone]);
    }
    this.takeIn(() => {
      for (const [sort, things] of put) this.store.dispatch(keepMany(sort, things));
      for (const [sort, ids] of gone) this.store.dispatch(dropSome(sort, ids));
    });
  }

  /** Rows as the office has them, but those whose change is on its way there, as they are here. */
  withUnderway(rows: readonly OneKept[]): OneKept[] {
    const { kept } = this.store.getState().inbox;
    const isUnderway = (sort: string, id: string) => this.underway.has(JSON.stringify([sort, id]));
    const others = rows.filter(({ sort, thing }) => !isUnderway(sort, thing.id));
    const here = Object.keys(kept).flatMap((sort) =>
      isOwnSort(sort, kept)
        ? Object.values<Kept[OwnSort]>(kept[sort]).flatMap((thing) =>
            isUnderway(sort, thing.id) ? [{ sort, thing } as OneKept] : [],
          )
        : [],
    );
    return [...others, ...here];
  }

  close(): void {
    this.stopFollowing();
  }

  private follow(now: KeptThings, before: KeptThings): void {
    if (this.isTakingIn) return;
    const changes = changedRows(before, now);
    if (changes.length > 0) void this.send(changes);
  }

  private async send(changes: readonly SeenPersonal[]): Promise<void> {
    const names = changes.map(nameOf);
    for (const name of names) this.underway.set(name, (this.underway.get(name) ?? 0) + 1);
    try {
      await this.ask(changes);
    } catch (error) {
      console.error('Not kept:', error);
      this.store.dispatch(actRefused('It could not be kept. Try once more.'));
    } finally {
      for (const name of names) {
        const left = (this.underway.get(name) ?? 0) - 1;
        if (left > 0) this.underway.set(name, left);
        else this.underway.delete(name);
      }
    }
  }

  /** One that could not be read again is left out, and said; the others are kept. */
  private async ask(changes: readonly SeenPersonal[]): Promise<void> {
    const request: InboxRequest = { type: 'keepOwn', changes: [...changes] };
    const reply = await this.link.ask(request);
    if (reply.ok) return;
    const { reason } = reply;
    this.store.dispatch(actRefused(explainInboxRefusal(reason, selectOffice(this.store.getState()))));
    if (reason.code !== 'notReadable') return;
    const refused = JSON.stringify([reason.sort, reason.id]);
    console.error('Not kept, since it could not be read again:', refused);
    const rest = changes.filter((change) => nameOf(change) !== refused);
    if (rest.length > 0 && rest.length < changes.length) await this.ask(rest);
  }
}

/** What is otherwise among the worker's own rows. */
function changedRows(before: KeptThings, now: KeptThings): SeenPersonal[] {
  const changed = <Sort extends OwnSort>(sort: Sort): SeenPersonal[] => {
    const [things, old]: Record<string, Kept[Sort]>[] = [now[sort], before[sort]] as const;
    if (!things || !old || things === old) return [];
    const { put, goneIds } = changesBetween(old, things);
    return [
      ...put.map((thing) => ({ table: 'personal' as const, sort, put: { ...thing } })),
      ...goneIds.map((gone) => ({ table: 'personal' as const, sort, gone })),
    ];
  };
  return Object.keys(now).flatMap((sort) => (isOwnSort(sort, now) ? changed(sort) : []));
}
