import type { CallRecord } from '@/core/calls/exchange';
import { talkMs } from '@/core/calls/history';
import { writtenMessage } from '@/core/inbox/messages';
import type { Work } from '@/core/inbox/followUps';
import { reachedMs, teamOf, triedAt, whoOf, type LooseEnd, type LooseEvent } from '@/core/inbox/looseEnds';
import { voicemailOfRecord, type Voicemail } from '@/core/inbox/voicemail';
import { hearsMailbox, voicemailOf, type SeenTables } from '@/core/office';
import type { Owed } from '@/office/link';
import { reckonLooseEnds } from '@/workers/reckonLooseEnds';
import {
  arrivalsSeen,
  asKept,
  askOffice,
  changesBetween,
  finishFollowUp,
  identifyNumber,
  keptRead,
  mixSaid,
  reckoned,
  removeWork,
  selectMyId,
  selectOffice,
  selectPeople,
  selectWork,
  weightsChosen,
  type AppStore,
  type CameBefore,
  type LaterBeginning,
  type LaterPart,
  type OneKept,
  type Services,
} from '@/state/app';

import { startSearching, startSyncing, startWatching } from '../people';
import { startTelling, tellPlacesOfMissed, tellPlacesOfTexts, tellPlacesOfVoicemail } from '../telling';
import { isStorageFault, readBelongings } from '../storage';
import { dropExpired } from './dropExpired';
import { fetchPages } from './faxes';
import { keepCatchUp } from './keeping';
import { catchUpKeys, keptKinds, reckoningKind, seenKind } from '../kept';
import { happenings } from './looseHappenings';
import { followAssignments, looseHappened } from './reckon';
import { tellOfFaxes, tellOfTexts, tellOfVoicemail } from './tell';
import { wordsSaid, type WordsOfClip } from './transcribing';
import { keepTranscript } from './voicemails';

type Context = Parameters<Awaited<ReturnType<LaterPart>>>[0] & { beginning: LaterBeginning };
type Words = Pick<Context, 'store' | 'services' | 'beginning'>;

/**
 * Keeps account of who waits: takes in calls, voicemails, texts and follow-ups as they happen, and at the start whatever
 * the history has that was not counted in. Gives what ends it.
 */
export function startCatchingUp(
  { store, services, vault }: Omit<Context, 'beginning'>,
  beginning: LaterBeginning,
): () => void {
  services.books = new Map(beginning.books.map((book) => [book.id, book]));
  const myId = selectMyId(store.getState());
  const { keepDays } = store.getState().settings;
  const isHeardHere = ({ mailboxId }: Voicemail) =>
    hearsMailbox(mailboxId, myId, selectOffice(store.getState()));
  const takeIn = (update: Owed) => {
    const { messages } = store.getState().catchUp.kept;
    const texts = update.messageIds.flatMap((id) => messages[id] ?? []);
    store.dispatch(looseHappened(happenings(store.getState(), { messages: texts })));
    const faxes = update.faxIds.flatMap((id) => store.getState().catchUp.kept.faxes[id] ?? []);
    for (const { id, pagesUrl } of faxes) if (pagesUrl !== null) void fetchPages(vault, id, pagesUrl);
    store.dispatch(looseHappened(happenings(store.getState(), { faxes })));
    tellOfFaxes(store, faxes);
    tellOfTexts(store, texts);
    tellPlacesOfTexts(store, texts, services.clock.now());
    for (const event of update.events)
      if (event.type === 'recordWritten' && event.record.personId === myId) takeRecord(event.record);
    const { voicemails } = store.getState().catchUp.kept;
    for (const id of update.voicemailIds) {
      const voicemail = voicemails[id];
      if (!voicemail || !isHeardHere(voicemail)) continue;
      const { number, name } = voicemail.from;
      tellOfVoicemail(store, id, identifyNumber(number, name, selectPeople(store.getState())).name);
      void takeVoicemail({ store, services, beginning }, voicemail, true);
    }
  };
  const takeRecord = (record: CallRecord) => {
    // Who waits is known at once; the words of a voicemail come when they are there.
    count(store, [record]);
    keepPromises(store, record);
    if (!voicemailOfRecord(record, store.getState().catchUp.kept.voicemails))
      tellPlacesOfMissed(store, record, services.clock.now());
  };

  const takeOne = (update: Owed) => {
    try {
      takeIn(update);
    } catch (error) {
      // One that we stumble over must not keep back all that follow.
      console.error('An update could not be taken in:', error);
      void vault.keepAside('owed', update);
    }
  };

  // Nothing is taken in before all that is kept has been read; until then the office owes it.
  let isReady = false;
  let isTaking = false;
  const takeOwed = () => {
    const { link } = services;
    if (!link || !isReady || isTaking) return;
    isTaking = true;
    try {
      // What is taken in may bring about more.
      for (let at = 0; at < link.owed().length; at++) takeOne(link.owed()[at] as Owed);
      link.settle();
    } finally {
      isTaking = false;
    }
  };
  const stopUpdates = services.link?.subscribe(takeOwed) ?? (() => undefined);
  const stopKeeping = keepCatchUp(store, vault);
  const stopWork = followWork(store, services);
  const stopTelling = startTelling(store, services);
  const stopSearching = startSearching(store, services);
  const stopAssigning = followAssignments(store);
  const stopSyncing = startSyncing(store, services);
  const stopWatching = startWatching(store, services);
  const takeUnheard = () => takeWithoutWords({ store, services, beginning }, isHeardHere);
  const stopOnline = whenOnlineAgain(store, () => void takeUnheard());
  void readKept({ store, services, vault, beginning }, () => {
    isReady = true;
    takeOwed();
  })
    .then(() => dropExpired(store, vault, keepDays, services.clock.now()))
    .then(takeUnheard)
    .catch((error: unknown) => {
      if (!isStorageFault(error)) throw error;
      services.giveUp(error);
    });
  return () => {
    stopUpdates();
    stopKeeping();
    stopWork();
    stopTelling();
    stopSearching();
    stopAssigning();
    stopSyncing();
    stopWatching();
    stopOnline();
  };
}

/** Has a voicemail's sound on this device, and its words; without its clips, when there is a network again. */
async function takeVoicemail(
  { store, services, beginning }: Words,
  voicemail: Voicemail,
  isNews: boolean,
): Promise<void> {
  const sound = await services.readSound(voicemail.id);
  const transcript = voicemail.transcript ?? (sound && wordsSaid(voicemail, wordsOf(beginning)));
  // What came in before was told then, as far as it was known.
  if (isNews) tellPlacesOfVoicemail(store, { ...voicemail, transcript }, services.clock.now());
  if (!transcript || voicemail.transcript) return;
  await store.dispatch(keepTranscript(voicemail.id, transcript));
  // Who was reached meanwhile does not wait again for having said something.
  const { history, catchUp } = store.getState();
  const open = catchUp.reckoning?.ends.open ?? [];
  const records = history.records.filter(({ callId }) => callId === voicemail.callId);
  const waiting = records.filter((record) =>
    open.some(({ reasons }) => reasons.some(({ id }) => id === record.id)),
  );
  if (waiting.length > 0) count(store, waiting);
}

function whenOnlineAgain(store: AppStore, act: () => void): () => void {
  let wasOnline = store.getState().office.isOnline;
  return store.subscribe(() => {
    const { isOnline } = store.getState().office;
    if (isOnline && !wasOnline) act();
    wasOnline = isOnline;
  });
}

/** Whoever was promised a call, and has been reached now, has been called back. */
function keepPromises(store: AppStore, record: CallRecord): void {
  if (record.outcome !== 'answered' || talkMs(record) < reachedMs) return;
  const state = store.getState();
  const [office, people] = [selectOffice(state), selectPeople(state)];
  const { key } = whoOf(record.other, record.callId, office, people);
  for (const item of followUpsOf(selectWork(state))) {
    if (!item.isPromise || item.doneAt !== null || item.at > record.startedAt) continue;
    const { number, name } = item;
    const personId = office.peopleByExtension.get(number ?? '')?.id ?? null;
    if (whoOf({ number, name, personId }, item.callId ?? item.id, office, people).key === key)
      store.dispatch(finishFollowUp(item.id, true));
  }
}

/** Voicemails whose sound could not be mixed when they were left. */
async function takeWithoutWords(
  context: Words,
  isHeardHere: (voicemail: Voicemail) => boolean,
): Promise<void> {
  for (const voicemail of Object.values(context.store.getState().catchUp.kept.voicemails))
    if (voicemail.transcript === null && voicemail.said.length > 0 && isHeardHere(voicemail))
      await takeVoicemail(context, voicemail, false);
}

function count(store: AppStore, records: readonly CallRecord[]): void {
  const upTo = records.reduce((latest, { endedAt }) => Math.max(latest, endedAt), 0);
  store.dispatch(looseHappened(happenings(store.getState(), { records }), upTo));
}

/** `onRead` comes once all that is kept has been read, and before the history, which takes longer. */
async function readKept(context: Context, onRead: () => void): Promise<void> {
  const { store, services, vault } = context;
  const { dispatch } = store;
  const now = services.clock.now();
  const [kept] = (await vault.read(catchUpKeys.reckoning, reckoningKind)) ?? [];
  if (kept) {
    dispatch(weightsChosen(kept.weights));
    dispatch(reckoned({ ends: kept.ends, upTo: kept.upTo }));
  }
  const [seen] = (await vault.read(catchUpKeys.seen, seenKind)) ?? [];
  void services.openBelongings(await readBelongings(vault, keptKinds), true);
  if (kept) await moveOldAssignments(services.link, kept.ends.open, selectMyId(store.getState()));
  const tables = await services.link?.tables();
  const read = () => void dispatch(keptRead(tables ? rowsOf(tables) : []));
  if (services.ownRows) services.ownRows.takeIn(read);
  else read();
  // Who opens the app for the first time has missed nothing.
  dispatch(arrivalsSeen(seen?.before ?? now));
  await moveOldTexts(store);
  onRead();
  await historyRead(store);
  if (kept) catchUpWith(store, kept.upTo);
  else await beginAnew(context, now);
}

/** Whom the worker had taken on when that was the app's alone to know. */
async function moveOldAssignments(
  link: Services['link'],
  open: readonly LooseEnd[],
  myId: string,
): Promise<void> {
  if (!link || (await link.tables()).assignments.length > 0) return;
  for (const end of open) {
    const teamId = teamOf(end);
    if (end.takenById !== myId || teamId === null) continue;
    await link.ask({ type: 'takeOn', key: end.who.key, teamId, since: triedAt(end), insteadOf: null });
  }
}

const rowsOf = ({ messages, rooms, faxes, voicemails, assignments, personal }: SeenTables) => [
  ...asKept('rooms', rooms),
  ...asKept('messages', messages),
  ...asKept('faxes', faxes),
  ...asKept('voicemails', voicemails),
  ...asKept('assignments', assignments),
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

function historyRead(store: AppStore): Promise<void> {
  return new Promise((resolve) => {
    if (store.getState().history.isComplete) return resolve();
    const stop = store.subscribe(() => {
      if (!store.getState().history.isComplete) return;
      stop();
      resolve();
    });
  });
}

/** What happened while nobody kept account, such as before this part of the app could be fetched. */
function catchUpWith(store: AppStore, upTo: number): void {
  const records: CallRecord[] = [];
  for (const record of store.getState().history.records) if (record.endedAt > upTo) records.push(record);
  if (records.length > 0) count(store, records);
}

/** The first reckoning, from all that is known; with what had come in before. */
async function beginAnew({ store, services, vault, beginning }: Context, now: number): Promise<void> {
  const before = beginning.cameBefore?.(store.getState().history.records, now) ?? nothingBefore;
  const voicemails = before.voicemails.flatMap(({ record, clip }) => {
    const said = [{ kind: 'clip' as const, at: record.endedAt - record.messageMs, clip }];
    const voicemail = voicemailOf(record, selectOffice(store.getState()), said);
    return voicemail ? [{ ...voicemail, transcript: wordsSaid(voicemail, wordsOf(beginning)) }] : [];
  });
  await store.dispatch(askOffice({ type: 'bringVoicemails', voicemails }));
  const { messages: texts, rooms, faxes } = before;
  await store.dispatch(askOffice({ type: 'bring', messages: texts, rooms }));
  await store.dispatch(askOffice({ type: 'bringFaxes', faxes }));
  for (const { id, pagesUrl } of faxes) if (pagesUrl !== null) void fetchPages(vault, id, pagesUrl);
  for (const { record, recording, clip } of before.recordings) {
    const [first] = recording.pieces;
    const last = recording.pieces.at(-1)?.to;
    if (!first || last == null) continue;
    const said = [{ kind: 'clip' as const, at: first.from + 1_000, clip }];
    const piece = { callId: record.callId, at: first.from, durationMs: last - first.from, said };
    const sound = await mixSaid(piece).catch(() => null);
    if (sound) await services.keepSound(recording.id, sound);
  }
  // Read anew, since calls go on while the sample's voices are fetched.
  const state = store.getState();
  const { records } = state.history;
  const messages = Object.values(state.catchUp.kept.messages);
  const events = happenings(state, {
    records,
    messages,
    faxes: Object.values(state.catchUp.kept.faxes),
    followUps: followUpsOf(selectWork(state)),
  });
  const upTo = records.reduce((latest, { endedAt }) => Math.max(latest, endedAt), 0);
  const ends = await reckonLooseEnds(withActs(events, before.doneBefore));
  store.dispatch(reckoned({ ends, upTo }));
  // Their sound is mixed when nobody waits for the list any more; what is played before is mixed then.
  void mixAll(services, voicemails);
  // What happened while it was reckoned is counted in.
  catchUpWith(store, upTo);
  const { kept } = store.getState().catchUp;
  const late = {
    messages: changesBetween(state.catchUp.kept.messages, kept.messages).put,
    faxes: changesBetween(state.catchUp.kept.faxes, kept.faxes).put,
  };
  store.dispatch(looseHappened(happenings(store.getState(), late)));
}

async function mixAll({ readSound }: Services, voicemails: readonly Voicemail[]): Promise<void> {
  for (const { id } of voicemails) await readSound(id);
}

/** Everybody who waited at that instant was done by hand then. */
function withActs(events: readonly LooseEvent[], doneAt: number): LooseEvent[] {
  const before = events.filter(({ at }) => at <= doneAt);
  const keys = new Set(before.flatMap((event) => ('who' in event ? [event.who.key] : [])));
  const done = [...keys].map((key): LooseEvent => ({ kind: 'done', id: `done-${key}`, at: doneAt, key }));
  return [...before, ...done, ...events.filter(({ at }) => at > doneAt)];
}

const followUpsOf = (items: readonly Work[]) =>
  items.flatMap((item) => (item.kind === 'followUp' ? [item] : []));

/** Follow-ups are promises: made, kept, and taken back. */
function followWork(store: AppStore, services: Services): () => void {
  let last = selectWork(store.getState());
  return store.subscribe(() => {
    const items = selectWork(store.getState());
    if (items === last) return;
    const before = new Map(followUpsOf(last).map((item) => [item.id, item]));
    const wasRead = last.length > 0 || store.getState().catchUp.reckoning !== null;
    last = items;
    if (!wasRead) return;
    const now = followUpsOf(items);
    const ids = new Set(now.map(({ id }) => id));
    // What was taken out is waited for no longer, as if it were done.
    const gone = [...before.values()].filter(({ id, doneAt }) => !ids.has(id) && doneAt === null);
    const followUps = [
      ...now.filter((item) => before.get(item.id) !== item),
      ...gone.map((item) => ({ ...item, doneAt: services.clock.now() })),
    ];
    store.dispatch(looseHappened(happenings(store.getState(), { followUps })));
  });
}

/** The stand-in transcriber's words. */
const wordsOf =
  ({ words }: LaterBeginning): WordsOfClip =>
  (clip) =>
    words[clip] ?? null;

const nothingBefore: CameBefore = {
  ...{ voicemails: [], recordings: [], messages: [], rooms: [], faxes: [] },
  doneBefore: -Infinity,
};
