import { uint8ArrayToBase64 } from 'uint8array-extras';
import { createSelector, type Action, type ThunkAction } from '@reduxjs/toolkit';

import { encodeWav } from '@/core/shared/soundFiles';
import {
  messageWaiting,
  messageWaitingWords,
  onShelves,
  type Transcript,
  type Voicemail,
} from '@/core/inbox/voicemail';
import {
  actDone,
  askOffice,
  freeId,
  selectMyId,
  selectOffice,
  type RootState,
  type Services,
} from '@/state/app';

import type { Take } from '@/office/microphone';

/** Shorter than that nobody has said anything. */
const shortestMs = 500;

type Act<T = void> = ThunkAction<T, RootState, Services, Action>;

export const setHeard = (id: string, isHeard: boolean) => askOffice({ type: 'markVoicemail', id, isHeard });

/** Puts it away; it can be had back for a day. */
export const deleteVoicemail =
  (id: string): Act<Promise<void>> =>
  async (dispatch) => {
    if (await dispatch(askOffice({ type: 'putVoicemailAway', id })))
      dispatch(actDone('The voicemail is put away.'));
  };

export const restoreVoicemail =
  (id: string): Act<Promise<void>> =>
  async (dispatch) => {
    if (await dispatch(askOffice({ type: 'bringVoicemailBack', id }))) dispatch(actDone(null));
  };

/** Passes a voicemail on to a colleague's mailbox, with a word. */
export const forwardVoicemail =
  (id: string, toPersonId: string, word: string): Act<Promise<void>> =>
  async (dispatch, getState, { clock, readSound, keepSound }) => {
    const voicemail = getState().inbox.kept.voicemails[id];
    if (!voicemail) return;
    const copyId = `${id}-to-${toPersonId}-${clock.now()}`;
    const sound = voicemail.said.length === 0 ? await readSound(id) : null;
    if (sound) await keepSound(copyId, sound);
    if (!(await dispatch(askOffice({ type: 'passVoicemailOn', id, copyId, toPersonId, word })))) return;
    const name = selectOffice(getState()).people.get(toPersonId)?.name ?? 'a colleague';
    dispatch(actDone(`The voicemail is in ${name}’s mailbox.`));
  };

/** Speaks into a colleague's mailbox without calling. Says whether there was anything to leave. */
export const leaveVoicemail =
  (toPersonId: string, { samples, sampleRate }: Take): Act<Promise<boolean>> =>
  async (dispatch, getState, { clock, keepSound }) => {
    const durationMs = (samples.length / sampleRate) * 1000;
    if (durationMs < shortestMs) return false;
    const { voicemails } = getState().inbox.kept;
    const id = freeId(`left-${toPersonId}-${clock.now()}`, (taken) => taken in voicemails);
    // Its sound comes first, so that no voicemail is ever there without.
    await keepSound(id, {
      callId: null,
      durationMs,
      wav: uint8ArrayToBase64(encodeWav(samples, sampleRate)),
    });
    if (!(await dispatch(askOffice({ type: 'leaveVoicemail', id, toPersonId, durationMs })))) return false;
    const name = selectOffice(getState()).people.get(toPersonId)?.name ?? 'a colleague';
    dispatch(actDone(`It is in ${name}’s mailbox.`));
    return true;
  };

/** Takes in the words of a voicemail that nothing here has transcribed. */
export const keepTranscript = (id: string, transcript: Transcript) =>
  askOffice({ type: 'transcribeVoicemail', id, transcript });

/** The voicemails of this worker and of their teams, newest first; what was put away is left out. */
export const selectMyVoicemails = createSelector(
  (state: RootState) => state.inbox.kept.voicemails,
  selectMyId,
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
  (state: RootState) => state.inbox.kept.voicemails,
  selectMyId,
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
  (state: RootState) => state.inbox.kept.voicemails,
  selectMyId,
  (voicemails, myId): string => messageWaitingWords(messageWaiting(Object.values(voicemails), myId)),
);
