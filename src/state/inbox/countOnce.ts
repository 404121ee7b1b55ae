import type { CallRecord } from '@/core/calls/exchange';
import { handleOf, nothingOf, withTry, type Try, type Waiting } from '@/core/inbox/looseEnds';
import { roomIdOf } from '@/core/inbox/messages';
import { voicemailOf } from '@/core/office';
import {
  askOffice,
  marked,
  selectMyId,
  selectOffice,
  weightsChosen,
  type AppStore,
  type CameBefore,
  type LaterBeginning,
  type RootState,
  type Services,
} from '@/state/app';
import { countWaiting } from '@/workers/countWaiting';

import { oldKeys, oldReckoningKind, oldSeenKind, type OldEnd } from '../kept';
import type { Vault } from '../storage';
import { mixSaid } from '../sounds';
import { fetchPages } from './faxes';
import { wordsSaid, type WordsOfClip } from './transcribing';

export interface CountingContext {
  store: AppStore;
  services: Services;
  vault: Vault;
  beginning: LaterBeginning;
}

/** The first count of who waits, from the calls before the office ran here, with what else had come in by then. */
export async function countFirst(context: CountingContext, now: number): Promise<void> {
  const { store, beginning } = context;
  const before = beginning.cameBefore?.(store.getState().history.records, now) ?? nothingBefore;
  // Once, with those whose it is; who sits here otherwise has their calls alone behind them.
  if (beginning.cameFor === selectMyId(store.getState())) await bringWhatCame(context, before);
  await bringCounted(context, store.getState().history.records, before.doneBefore);
  // Who opens the app for the first time has missed nothing.
  store.dispatch(marked('told', now));
  store.dispatch(marked('seen', now));
}

/** What an earlier version's app had counted by itself, and what it had not counted yet. */
export async function takeOverOldCount(
  { store, services, vault }: CountingContext,
  now: number,
): Promise<void> {
  const [old] = (await vault.read(oldKeys.reckoning, oldReckoningKind)) ?? [];
  const [seen] = (await vault.read(oldKeys.seen, oldSeenKind)) ?? [];
  if (!old) return;
  const rows = old.ends.open.flatMap((end) => rowsOfOld(end, store.getState()));
  const isDone = await store.dispatch(askOffice({ type: 'bringWaiting', rows, doneBefore: null }));
  if (!isDone) return;
  const late = store.getState().history.records.filter(({ endedAt }) => endedAt > old.upTo);
  if (!(await bringCounted({ store }, late, null))) return;
  await takeOnAgain(services.link, old.ends.open, store.getState());
  if (old.weights) store.dispatch(weightsChosen(old.weights));
  store.dispatch(marked('told', old.upTo));
  store.dispatch(marked('seen', seen?.before ?? now));
  await vault.flush();
  await vault.remove([oldKeys.reckoning, oldKeys.seen]);
}

async function bringCounted(
  { store }: Pick<CountingContext, 'store'>,
  records: readonly CallRecord[],
  doneBefore: number | null,
): Promise<boolean> {
  const state = store.getState();
  const given = { records, personId: selectMyId(state), setup: selectOffice(state).setup };
  const rows = (await countWaiting(given)).map(asBrought);
  return store.dispatch(askOffice({ type: 'bringWaiting', rows, doneBefore }));
}

const asBrought = ({ id: _, personId: __, closed: ___, ...row }: Waiting) => row;

/** Voicemails, texts, rooms, faxes and recordings of the time before the first start. */
async function bringWhatCame(
  { store, services, vault, beginning }: CountingContext,
  { voicemails: given, messages, rooms, faxes, recordings }: CameBefore,
): Promise<void> {
  const voicemails = given.flatMap(({ record, clip }) => {
    const said = [{ kind: 'clip' as const, at: record.endedAt - record.messageMs, clip }];
    const voicemail = voicemailOf(record, selectOffice(store.getState()), said);
    return voicemail ? [{ ...voicemail, transcript: wordsSaid(voicemail, wordsOf(beginning)) }] : [];
  });
  await store.dispatch(askOffice({ type: 'bringVoicemails', voicemails }));
  await store.dispatch(askOffice({ type: 'bring', messages, rooms }));
  await store.dispatch(askOffice({ type: 'bringFaxes', faxes }));
  for (const { id, pagesUrl } of faxes) if (pagesUrl !== null) void fetchPages(vault, id, pagesUrl);
  for (const { record, recording, clip } of recordings) {
    const [first] = recording.pieces;
    const last = recording.pieces.at(-1)?.to;
    if (!first || last == null) continue;
    const said = [{ kind: 'clip' as const, at: first.from + 1_000, clip }];
    const piece = { callId: record.callId, at: first.from, durationMs: last - first.from, said };
    const sound = await mixSaid(piece).catch(() => null);
    if (sound) await services.keepSound(recording.id, sound);
  }
  // Their sound is mixed when nobody waits for the list any more; what is played before is mixed then.
  void mixAll(services, voicemails);
}

async function mixAll({ readSound }: Services, voicemails: readonly { id: string }[]): Promise<void> {
  for (const { id } of voicemails) await readSound(id);
}

/** The stand-in transcriber's words. */
export const wordsOf =
  ({ words }: LaterBeginning): WordsOfClip =>
  (clip) =>
    words[clip] ?? null;

const nothingBefore: CameBefore = {
  ...{ voicemails: [], recordings: [], messages: [], rooms: [], faxes: [] },
  doneBefore: null,
};

/** Under which handles somebody waited, whom that version knew by their contact; promises are where the follow-ups are. */
function rowsOfOld({ who, reasons, furtherTries, snoozedUntil }: OldEnd, state: RootState) {
  const rows = new Map<string, Waiting>();
  for (const { kind, ...reason } of reasons) {
    if (kind === 'promised') continue;
    const { other, id, roomId } = sourceOf(reason.id, who, state);
    const handle = handleOf(other, id);
    const tried: Try = { ...reason, kind, openedAt: reason.at, roomId };
    rows.set(handle, withTry(rows.get(handle) ?? nothingOf('', handle), tried, other));
  }
  // Who is promised something alone may have been put off as well.
  if (rows.size === 0 && snoozedUntil !== null) {
    const handle = who.key.startsWith('contact:') ? `number:${who.number ?? ''}` : who.key;
    rows.set(handle, { ...nothingOf('', handle), number: who.number, name: who.name });
  }
  return [...rows.values()].map((row, index) => ({
    ...asBrought(row),
    snoozedUntil,
    furtherTries: index === 0 ? furtherTries : 0,
  }));
}

interface SourceOfTry {
  other: { number: string | null; name: string | null; personId: string | null };
  id: string;
  roomId: string | null;
}

/** Who tried, as the record, the message or the fax tells that it was; else as the entry itself said. */
function sourceOf(
  id: string,
  { key, number, name }: OldEnd['who'],
  { history, inbox }: RootState,
): SourceOfTry {
  const at = key.indexOf(':');
  const personId = key.slice(0, at) === 'person' ? key.slice(at + 1) : null;
  const record = history.records.find((each) => each.id === id);
  if (record) return { other: record.other, id: record.callId, roomId: null };
  const { messages, faxes } = inbox.kept;
  const message = messages[id];
  const roomId = message ? roomIdOf(message.number) : null;
  const used = (roomId === null ? message?.number : null) ?? faxes[id]?.number ?? number;
  return { other: { number: used, name, personId }, id: key.slice(at + 1), roomId };
}

/** Whom the worker had taken on when that was the app's alone to know. */
async function takeOnAgain(link: Services['link'], open: readonly OldEnd[], state: RootState): Promise<void> {
  const { assignments } = state.inbox.kept;
  if (!link || Object.keys(assignments).length > 0) return;
  for (const { who, reasons, takenById } of open) {
    const { teamId = null } = reasons.findLast((reason) => reason.teamId !== null) ?? {};
    const last = reasons.findLast(({ kind }) => kind !== 'promised') ?? reasons[0];
    if (takenById !== selectMyId(state) || teamId === null) continue;
    await link.ask({ type: 'takeOn', key: who.key, teamId, since: last?.at ?? 0, insteadOf: null });
  }
}
