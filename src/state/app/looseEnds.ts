import { createSelector, type Action, type ThunkAction } from '@reduxjs/toolkit';

import { recordIdOf } from '@/core/calls/exchange';
import { pagesWord } from '@/core/inbox/fax';
import {
  looseEndsOf,
  type LooseEnd,
  type LooseEnds,
  type LooseWeights,
  type Try,
} from '@/core/inbox/looseEnds';
import { textOf, type Voicemail } from '@/core/inbox/voicemail';
import { assignmentIdOf, type Assignment } from '@/core/office';

import { dropSome, keepOne, type InboxSlice, type Mark } from './inboxSlice';
import { selectOffice, selectPeople, selectWork } from './selectors';
import type { Services } from './services';
import { selectMyId } from './session';
import type { RootState } from './store';

type Act = ThunkAction<void, RootState, Services, Action>;
type Kept = InboxSlice['kept'];

/** The worker has looked at what came in before that instant, or it has been told elsewhere; a mark never goes back. */
export const marked =
  (id: Mark['id'], at: number): Act =>
  (dispatch, getState) => {
    const before = getState().inbox.kept.marks[id];
    if (!before || before.at < at) dispatch(keepOne('marks', { id, at }));
  };

export const arrivalsSeen = (at: number) => marked('seen', at);

/** What had come in before that instant (epoch milliseconds) the worker has seen; null until that is known. */
export const selectSeenBefore = ({ inbox }: RootState): number | null => inbox.kept.marks.seen?.at ?? null;

/** The worker's own points for the order; null: the usual ones. */
export const weightsChosen =
  (weights: LooseWeights | null): Act =>
  (dispatch) => {
    dispatch(
      weights === null ? dropSome('weights', ['order']) : keepOne('weights', { ...weights, id: 'order' }),
    );
  };

const selectVoicemailsByRecord = createSelector(
  (state: RootState) => state.inbox.kept.voicemails,
  selectMyId,
  (voicemails, myId): ReadonlyMap<string, Voicemail> =>
    new Map(
      Object.values(voicemails).flatMap((voicemail) => [
        [recordIdOf(voicemail.callId, myId), voicemail],
        [voicemail.id, voicemail],
      ]),
    ),
);

/** The words of a try: of the text, of what the voicemail says, of what was faxed. */
function wordsOf(
  { id }: Try,
  { messages, faxes }: Pick<Kept, 'messages' | 'faxes'>,
  voicemails: ReadonlyMap<string, Voicemail>,
): string | null {
  const message = messages[id];
  if (message) return message.text || (message.picture ? `Picture: ${message.picture.alt}` : null);
  const fax = faxes[id];
  if (fax) return `${fax.title}, ${pagesWord(fax.pages)}`;
  const transcript = voicemails.get(id)?.transcript;
  return transcript ? textOf(transcript) : null;
}

/** Who of a team has taken on somebody who is known by one of these keys; who has tried again is for everybody. */
function takenBy(
  assignments: Readonly<Record<string, Assignment>>,
  teamId: string,
  keys: readonly string[],
  since: number,
): string | null {
  const rows = keys.flatMap((key) => assignments[assignmentIdOf(teamId, key)] ?? []);
  return rows.filter(({ at }) => at >= since).sort((a, b) => b.at - a.at)[0]?.byId ?? null;
}

/** Who waits, and what was closed last; null until all that is kept has been read, and counted once. */
export const selectLooseEnds = createSelector(
  (state: RootState) => state.inbox.isRead && selectSeenBefore(state) !== null,
  (state: RootState) => state.inbox.kept.waiting,
  selectWork,
  (state: RootState) => state.inbox.kept.messages,
  (state: RootState) => state.inbox.kept.faxes,
  selectVoicemailsByRecord,
  (state: RootState) => state.inbox.kept.assignments,
  selectOffice,
  selectPeople,
  (isThere, waiting, work, messages, faxes, voicemails, assignments, office, people): LooseEnds | null =>
    isThere
      ? looseEndsOf({
          rows: Object.values(waiting),
          followUps: work.flatMap((item) => (item.kind === 'followUp' ? [item] : [])),
          wordsOf: (tried) => wordsOf(tried, { messages, faxes }, voicemails),
          takenBy: (teamId, keys, since) => takenBy(assignments, teamId, keys, since),
          office,
          people,
        })
      : null,
);

/** Why somebody with that key still waits, where they do. */
export const selectEndOf = (state: RootState, personKey: string): LooseEnd | null =>
  selectLooseEnds(state)?.open.find(({ who }) => who.key === personKey) ?? null;

/** How many people wait for this worker, as the bar of the places says it. */
export const selectWaitingCount = createSelector(
  selectLooseEnds,
  selectMyId,
  (_: RootState, now: number) => now,
  (ends, myId, now) =>
    (ends?.open ?? []).filter(
      ({ snoozedUntil, takenById }) =>
        (snoozedUntil === null || snoozedUntil <= now) && (takenById === null || takenById === myId),
    ).length,
);
