import { rowsWith } from '@/office/channel';
import { recordsIn, type OfficeUpdate } from '@/office/link';
import { keepOne, onceSo, waitingMessage, whenChanged, type AppStore, type Services } from '@/state/app';
import { keepView, keptPrefix, recordEntry, type KeptView, type Vault } from '@/state/storage';
import { Unasked } from '@/state/tabs';

/** It is written at most so often: what is missing in it is told by the office the next time it is reached. */
const everyMs = 5_000;

/** Keeps the office as it is seen here, from the first time it has been read whole. Gives what ends it. */
export function startKeepingView(store: AppStore, { server, vault, link }: Services): () => void {
  if (!server || !vault || !link) return () => undefined;
  let view: KeptView | null = null;
  let timer: ReturnType<typeof setTimeout> | null = null;
  const write = () => {
    timer = null;
    if (view) void keepView(vault, view);
  };
  const later = () => void (timer ??= setTimeout(write, everyMs));
  /** Reads all of it: at first, and where something was missed. */
  const read = async () => {
    const { me } = store.getState().office;
    if (!me) return;
    const [snapshot, tables] = await Promise.all([link.snapshot(), link.tables()]);
    view = { me, tables, snapshot: withoutCalls(snapshot) };
    write();
  };
  const stop = link.subscribe((update) => {
    keepRecords(store, vault, update);
    if (!view) return;
    const { setup, access } = view.snapshot;
    const snapshot = {
      ...withoutCalls(update),
      ...{ isWhole: true, changes: [], setup: update.setup ?? setup, access: update.access ?? access },
    };
    view = { ...view, snapshot, tables: rowsWith(view.tables, update.changes) };
    later();
  });
  const stopReading = whenChanged(
    store,
    ({ office }) => office.readings,
    () => void read(),
  );
  // What is shown first comes first.
  void onceSo(store, ({ inbox, office }) => inbox.isRead && office.isOnline).then(read);
  return () => {
    stop();
    stopReading();
    if (timer !== null) clearTimeout(timer);
  };
}

/** What was told of calls while the app was open is there without the office, as what was read of it is. */
function keepRecords(store: AppStore, vault: Vault, update: OfficeUpdate): void {
  const { me, setup } = store.getState().office;
  const mine = recordsIn(update).filter(({ personId }) => personId === me?.personId);
  if (mine.length === 0 || !setup) return;
  const entries = mine.flatMap((record) => Object.entries(recordEntry(record, setup.zone)));
  void vault.write(Object.fromEntries(entries.map(([key, text]) => [keptPrefix + key, text])));
}

/** Calls go on without this device, or end: it knows nothing of them. */
const withoutCalls = (update: OfficeUpdate): OfficeUpdate => ({
  ...update,
  ...{ events: [], changedCalls: [], endedCallIds: [], speech: [], changes: [] },
});

/** What was written before this page was read anew, and waits until the office is reached, is seen where it was written. */
export async function showWhatWaits(store: AppStore, { server, storage, clock }: Services): Promise<void> {
  if (!server) return;
  await onceSo(store, ({ inbox }) => inbox.isRead);
  if (store.getState().office.isOnline) return;
  for (const { asked } of new Unasked(storage).all())
    for (const { request } of asked)
      if (request.type === 'write') store.dispatch(keepOne('messages', waitingMessage(request, clock.now())));
}
