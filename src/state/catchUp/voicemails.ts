import { createSelector, type Action, type ThunkAction } from '@reduxjs/toolkit';

import type { CallRecord } from '@/core/calls/exchange';
import type { Finish, OfficeIndex } from '@/core/setup';
import { encodeWav } from '@/core/shared/sound';
import {
  messageWaiting,
  messageWaitingWords,
  onShelves,
  type Transcript,
  type Voicemail,
} from '@/core/inbox/voicemail';
import { actDone, freeId, keepOne, selectOffice, type RootState, type Services } from '@/state/app';

import type { Take } from '@/office/sound';

import { toBase64 } from '../storage';

/** Shorter than that nobody has said anything. */
const shortestMs = 500;

type Act<T = void> = ThunkAction<T, RootState, Services, Action>;

/** Whether a mailbox is that person's, or of a team of theirs. */
export function hearsMailbox(finish: Mailbox, personId: string, office: OfficeIndex): boolean {
  if (finish.kind === 'mailbox') return finish.personId === personId;
  return office.teams.get(finish.teamId)?.memberIds.includes(personId) ?? false;
}

type Mailbox = Extract<Finish, { kind: 'mailbox' | 'teamMailbox' }>;

/** A message that was left, as it is kept; null where the call left none in a mailbox that this person hears. */
export function voicemailOf(
  record: CallRecord,
  office: OfficeIndex,
  transcript: Transcript | null,
): Voicemail | null {
  const { id, callId, personId, finish, lineId, other, endedAt, messageMs } = record;
  if (messageMs === 0 || (finish?.kind !== 'mailbox' && finish?.kind !== 'teamMailbox')) return null;
  if (record.direction === 'out' || !hearsMailbox(finish, personId, office)) return null;
  return {
    id,
    callId,
    mailboxId: finish.kind === 'mailbox' ? finish.personId : finish.teamId,
    lineId,
    from: other,
    at: endedAt - messageMs,
    durationMs: messageMs,
    isUrgent: office.lines.get(lineId ?? '')?.urgent ?? false,
    heardAt: null,
    deletedAt: null,
    transcript,
    forwarded: null,
  };
}

const change =
  (id: string, part: (now: number) => Partial<Voicemail>): Act =>
  (dispatch, getState, { clock }) => {
    const voicemail = getState().catchUp.kept.voicemails[id];
    if (voicemail) dispatch(keepOne('voicemails', { ...voicemail, ...part(clock.now()) }));
  };

export const setHeard = (id: string, isHeard: boolean): Act =>
  change(id, (now) => ({ heardAt: isHeard ? now : null }));

/** Puts it away; it can be had back for a day. */
export const deleteVoicemail =
  (id: string): Act =>
  (dispatch) => {
    dispatch(change(id, (now) => ({ deletedAt: now })));
    dispatch(actDone('The voicemail is put away.'));
  };

export const restoreVoicemail =
  (id: string): Act =>
  (dispatch) => {
    dispatch(change(id, () => ({ deletedAt: null })));
    dispatch(actDone(null));
  };

/** Passes a voicemail on to a colleague's mailbox, with a word. */
export const forwardVoicemail =
  (id: string, toPersonId: string, word: string): Act<Promise<void>> =>
  async (dispatch, getState, { clock, readSound, keepSound }) => {
    const state = getState();
    const voicemail = state.catchUp.kept.voicemails[id];
    if (!voicemail) return;
    const copyId = `${id}-to-${toPersonId}-${clock.now()}`;
    const sound = await readSound(id);
    if (sound) await keepSound(copyId, sound);
    dispatch(
      keepOne('voicemails', {
        ...voicemail,
        id: copyId,
        mailboxId: toPersonId,
        heardAt: null,
        forwarded: { byId: state.office.me?.personId ?? '', word },
      }),
    );
    const name = selectOffice(state).people.get(toPersonId)?.name ?? 'a colleague';
    dispatch(actDone(`The voicemail is in ${name}’s mailbox.`));
  };

/** Speaks into a colleague's mailbox without calling. Says whether there was anything to leave. */
export const leaveVoicemail =
  (toPersonId: string, { samples, sampleRate }: Take): Act<Promise<boolean>> =>
  async (dispatch, getState, { clock, keepSound }) => {
    const durationMs = (samples.length / sampleRate) * 1000;
    if (durationMs < shortestMs) return false;
    const at = clock.now();
    const state = getState();
    const office = selectOffice(state);
    const me = office.people.get(state.office.me?.personId ?? '');
    const { voicemails } = state.catchUp.kept;
    const id = freeId(`left-${toPersonId}-${at}`, (taken) => taken in voicemails);
    await keepSound(id, { callId: null, durationMs, wav: toBase64(encodeWav(samples, sampleRate)) });
    dispatch(
      keepOne('voicemails', {
        id,
        callId: id,
        mailboxId: toPersonId,
        lineId: null,
        from: { number: me?.extension ?? null, name: me?.name ?? null, personId: me?.id ?? null },
        at,
        durationMs,
        isUrgent: false,
        heardAt: null,
        deletedAt: null,
        transcript: null,
        forwarded: null,
      }),
    );
    dispatch(actDone(`It is in ${office.people.get(toPersonId)?.name ?? 'a colleague'}’s mailbox.`));
    return true;
  };

/** Takes in the words of a voicemail that nothing here has transcribed. */
export const keepTranscript = (id: string, transcript: Transcript): Act => change(id, () => ({ transcript }));

/** The voicemails of this worker and of their teams, newest first; what was put away is left out. */
export const selectMyVoicemails = createSelector(
  (state: RootState) => state.catchUp.kept.voicemails,
  (state: RootState) => state.office.me?.personId ?? '',
  selectOffice,
  (voicemails, myId, office): Voicemail[] =>
    Object.values(voicemails)
      .filter(
        ({ mailboxId, deletedAt }) =>
          deletedAt === null &&
          (mailboxId === myId || (office.teams.get(mailboxId)?.memberIds.includes(myId) ?? false)),
      )
      .sort((a, b) => b.at - a.at),
);

/** The voicemails of this worker and of their teams, by where they lie. */
export const selectShelves = createSelector(
  (state: RootState) => state.catchUp.kept.voicemails,
  (state: RootState) => state.office.me?.personId ?? '',
  selectOffice,
  (voicemails, myId, { setup }) => {
    const teams = setup.teams.filter(({ memberIds }) => memberIds.includes(myId));
    return onShelves(
      Object.values(voicemails),
      myId,
      teams.map(({ id }) => id),
    );
  },
);

/** "2 new voicemails, 1 of them urgent, 3 heard": message waiting in the worker's own mailbox; empty where it is. */
export const selectMailboxWords = createSelector(
  (state: RootState) => state.catchUp.kept.voicemails,
  (state: RootState) => state.office.me?.personId ?? '',
  (voicemails, myId): string => messageWaitingWords(messageWaiting(Object.values(voicemails), myId)),
);
