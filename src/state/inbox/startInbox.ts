import type { CallRecord } from '@/core/calls/exchange';
import { talkMs } from '@/core/calls/history';
import { writtenMessage } from '@/core/inbox/messages';
import { keyOf, reachedMs } from '@/core/inbox/looseEnds';
import { voicemailOfRecord, type Voicemail } from '@/core/inbox/voicemail';
import { hearsMailbox, type SeenTables } from '@/core/office';
import {
  asKept,
  askOffice,
  finishFollowUp,
  identifyNumber,
  keptRead,
  loadMissed,
  marked,
  onceSo,
  removeWork,
  rowsCaughtUp,
  rowsReplaced,
  selectKeepDays,
  selectMyId,
  selectOffice,
  selectPeople,
  selectWork,
  tablesChanged,
  whenChanged,
  type AppStore,
  type LaterBeginning,
  type LaterPart,
  type OneKept,
  type Services,
} from '@/state/app';

import { startSounds } from '../sounds';
import { startSearching, startSyncing, startWatching } from '../people';
import { startTelling, tellPlacesOfMissed, tellPlacesOfTexts, tellPlacesOfVoicemail } from '../telling';
import { isStorageFault } from '../storage';
import { countFirst, takeOverOldCount, wordsOf, type CountingContext } from './countOnce';
import { dropExpired } from './dropExpired';
import { fetchPages } from './faxes';
import { hasNews, newsBetween, nothingKept, type News } from './news';
import { tellOfFaxes, tellOfTexts, tellOfVoicemail } from './systemNotices';
import { wordsSaid } from './transcribing';
import { keepTranscript } from './voicemails';

type Context = Parameters<Awaited<ReturnType<LaterPart>>>[0];
type Words = Pick<CountingContext, 'store' | 'services' | 'beginning'>;

/**
 * Reads what was kept beside calls. In the tab that hosts the office it also tells the worker, and the places that are told, of what
 * comes in; who waits the office knows by itself. Gives what ends it.
 */
export function startInbox(
  { store, services, vault, duties }: Context,
  beginning: LaterBeginning,
): () => void {
  const context: CountingContext = { store, services, vault, beginning };
  const stopSounds = startSounds({ store, services, vault, duties });
  services.books = new Map(beginning.books.map((book) => [book.id, book]));
  const stopSearching = startSearching(store, services);
  void readRows(store, services);
  const stopDuty = duties.add(() => followWhatComes(context));
  const stopReading = whenChanged(
    store,
    ({ office }) => office.readings,
    () => void readRowsAnew(store, services),
  );
  return () => {
    stopSounds();
    stopSearching();
    stopDuty();
    stopReading();
  };
}

/** What is done once for all tabs. */
function followWhatComes(context: CountingContext): () => void {
  const { store, services, vault } = context;
  let isOver = false;
  const keepDays = selectKeepDays(store.getState());
  const news = followNews(context);
  const takeUnheard = () => takeWithoutWords(context);
  const faulty = (error: unknown) => {
    if (!isStorageFault(error)) throw error;
    services.giveUp(error);
  };
  const stops = [
    news.end,
    startTelling(store, services),
    startSyncing(store, services),
    startWatching(store, services),
    whenOnlineAgain(store, () => void takeUnheard()),
    // What came in while nobody heard the office.
    whenChanged(
      store,
      ({ office }) => office.readings,
      () =>
        void loadMissed(vault, selectMyId(store.getState()), store)
          .then(() => onceSo(store, ({ office, inbox }) => office.readings === inbox.readings))
          .then(news.begin, faulty),
    ),
  ];
  void onceSo(store, ({ inbox }) => inbox.isRead)
    .then(() => countOnce(context))
    .then(() => {
      if (!isOver) news.begin();
    })
    .then(() => dropExpired(store, vault, keepDays, services.clock.now()))
    .then(takeUnheard)
    .catch(faulty);
  return () => {
    isOver = true;
    stops.forEach((stop) => stop());
  };
}

/** Tells of what has come in since it was last told of anything, and then of all that comes. */
function followNews(context: CountingContext): { begin: () => void; end: () => void } {
  const { store, services } = context;
  const toldUpTo = () => store.getState().inbox.kept.marks.told?.at ?? Infinity;
  let last: ReturnType<typeof store.getState>['inbox']['kept'] | null = null;
  const look = (records: readonly CallRecord[]) => {
    if (last === null) return;
    const before = last;
    last = store.getState().inbox.kept;
    take({ ...newsBetween(before, last, toldUpTo()), records: [...records] });
  };
  let lastTold: Promise<void> = Promise.resolve();
  const take = (news: News) => {
    if (!hasNews(news)) return;
    const now = services.clock.now();
    // What could not be told is kept all the same, and must not keep back what comes after it.
    const told = tellOf(context, news).catch((error: unknown) => console.error('Not told:', error));
    lastTold = lastTold.then(() => told).then(() => void store.dispatch(marked('told', now)));
  };
  const stop = services.link?.subscribe(({ events }) => {
    const myId = selectMyId(store.getState());
    look(
      events.flatMap((event) =>
        event.type === 'recordWritten' && event.record.personId === myId ? [event.record] : [],
      ),
    );
  });
  return {
    begin: () => {
      const { inbox, history } = store.getState();
      last = inbox.kept;
      const since = toldUpTo();
      const records = history.records.filter(({ endedAt }) => endedAt >= since).reverse();
      take({ ...newsBetween(nothingKept, last, since), records });
    },
    end: () => stop?.(),
  };
}

/** Resolves once all of it is on its way to the places that are told. */
async function tellOf(context: CountingContext, { texts, faxes, voicemails, records }: News): Promise<void> {
  const { store, services, vault } = context;
  const now = services.clock.now();
  for (const { id, pagesUrl } of faxes) if (pagesUrl !== null) void fetchPages(vault, id, pagesUrl);
  tellOfFaxes(store, faxes);
  tellOfTexts(store, texts);
  // A server that hosts the office tells by itself, also while nobody is here.
  const isToldHere = services.server === null;
  if (isToldHere) tellPlacesOfTexts(store, texts, now);
  for (const record of records) {
    keepPromises(store, record);
    if (isToldHere && !voicemailOfRecord(record, store.getState().inbox.kept.voicemails))
      tellPlacesOfMissed(store, record, now);
  }
  const heardHere = voicemails.filter((voicemail) => isHeardHere(store, voicemail));
  for (const { id, from } of heardHere)
    tellOfVoicemail(store, id, identifyNumber(from.number, from.name, selectPeople(store.getState())).name);
  await Promise.all(heardHere.map((voicemail) => takeVoicemail(context, voicemail, true)));
}

const isHeardHere = (store: AppStore, { mailboxId }: Voicemail) =>
  hearsMailbox(mailboxId, selectMyId(store.getState()), selectOffice(store.getState()));

/** Has a voicemail's sound on this device, and its words; without its clips, when there is a network again. */
async function takeVoicemail(
  { store, services, beginning }: Words,
  voicemail: Voicemail,
  isNews: boolean,
): Promise<void> {
  const sound = await services.readSound(voicemail.id);
  const transcript = voicemail.transcript ?? (sound && wordsSaid(voicemail, wordsOf(beginning)));
  // What came in before was told then, as far as it was known.
  if (isNews && services.server === null)
    tellPlacesOfVoicemail(store, { ...voicemail, transcript }, services.clock.now());
  if (transcript && !voicemail.transcript) await store.dispatch(keepTranscript(voicemail.id, transcript));
}

const whenOnlineAgain = (store: AppStore, act: () => void): (() => void) =>
  whenChanged(
    store,
    (state) => state.office.isOnline,
    (isOnline) => {
      if (isOnline) act();
    },
  );

/** Whoever was promised a call, and has been reached now, has been called back. */
function keepPromises(store: AppStore, record: CallRecord): void {
  if (record.outcome !== 'answered' || talkMs(record) < reachedMs) return;
  const state = store.getState();
  const [office, people] = [selectOffice(state), selectPeople(state)];
  const key = keyOf(record.other, record.callId, people);
  for (const item of selectWork(state)) {
    if (item.kind !== 'followUp' || !item.isPromise) continue;
    if (item.doneAt !== null || item.at > record.startedAt) continue;
    const personId = office.peopleByExtension.get(item.number ?? '')?.id ?? null;
    if (keyOf({ number: item.number, personId }, item.callId ?? item.id, people) === key)
      store.dispatch(finishFollowUp(item.id, true));
  }
}

/** Voicemails whose sound could not be mixed when they were left. */
async function takeWithoutWords(context: Words): Promise<void> {
  for (const voicemail of Object.values(context.store.getState().inbox.kept.voicemails))
    if (voicemail.transcript === null && voicemail.said.length > 0 && isHeardHere(context.store, voicemail))
      await takeVoicemail(context, voicemail, false);
}

async function readRows(store: AppStore, { link, ownRows }: Services): Promise<void> {
  const tables = await link?.tables();
  const read = () => void store.dispatch(keptRead(tables ? rowsOf(tables) : []));
  if (ownRows) ownRows.takeIn(read);
  else read();
}

/** Takes from an office that was begun anew what was missed, or where it does not know that, all rows, whatever was here. */
async function readRowsAnew(store: AppStore, { link, ownRows }: Services): Promise<void> {
  const { readings } = store.getState().office;
  if (!link || !ownRows) return;
  const missed = await link.missed();
  if (missed) {
    store.dispatch(tablesChanged(missed));
    ownRows.hear(missed);
    store.dispatch(rowsCaughtUp(readings));
    return;
  }
  const tables = await link.tables();
  ownRows.takeIn(() =>
    store.dispatch(rowsReplaced({ rows: ownRows.withUnderway(rowsOf(tables)), readings })),
  );
}

/** At the very first start, and the first one after an earlier version, who waits is counted. */
async function countOnce(context: CountingContext): Promise<void> {
  const { store, services } = context;
  const now = services.clock.now();
  await moveOldTexts(store);
  await onceSo(store, (state) => state.history.isComplete);
  await takeOverOldCount(context, now);
  if (!store.getState().inbox.kept.marks.seen) await countFirst(context, now);
}

const rowsOf = ({
  messages,
  rooms,
  faxes,
  voicemails,
  assignments,
  waiting,
  setupLog,
  personal,
}: SeenTables) => [
  ...asKept('rooms', rooms),
  ...asKept('messages', messages),
  ...asKept('faxes', faxes),
  ...asKept('voicemails', voicemails),
  ...asKept('assignments', assignments),
  ...asKept('waiting', waiting),
  ...asKept('setupLog', setupLog),
  ...personal.map(({ sort, row }) => ({ sort, thing: row }) as OneKept),
];

/** Texts that an earlier version kept among the notes around calls. */
async function moveOldTexts(store: AppStore): Promise<void> {
  const old = selectWork(store.getState()).flatMap((item) => (item.kind === 'text' ? [item] : []));
  const messages = old.flatMap(({ id, at, callId, lineId, to, text }) =>
    lineId === null
      ? []
      : [writtenMessage({ id, at, callId, lineId, number: to, text, state: 'sent', sentAt: at })],
  );
  if (messages.length > 0 && !(await store.dispatch(askOffice({ type: 'bring', messages, rooms: [] }))))
    return;
  for (const { id } of old) store.dispatch(removeWork(id));
}
