import { createSelector, type Action, type ThunkAction } from '@reduxjs/toolkit';

import type { ConfigurationRefusal, ConfigurationRequest } from '@/core/office';
import { isGranted, type Grant, type OfficeSetup } from '@/core/setup';
import { editOf, type Edit, type SetupEntry } from '@/core/setup/edits';
import {
  actDone,
  actRefused,
  explainInboxRefusal,
  selectMyId,
  selectOffice,
  type RootState,
  type Services,
} from '@/state/app';

type Act<T> = ThunkAction<T, RootState, Services, Action>;

/** Whether I run the office, so that I may change it. */
export const selectRunsOffice = (state: RootState): boolean =>
  selectOffice(state).people.get(selectMyId(state))?.administers === true;

/** Whether the office lets me do that. */
export const selectMay = (state: RootState, what: Grant): boolean => {
  const me = selectOffice(state).people.get(selectMyId(state));
  return me !== undefined && isGranted(me, what);
};

/** What was changed, the newest first. */
export const selectSetupLog = createSelector(
  (state: RootState) => state.inbox.kept.setupLog,
  (log): SetupEntry[] => Object.values(log).sort((a, b) => Number(b.id) - Number(a.id)),
);

/** Asks for a change of the office; null once it is in force, else why it is not, which is said as well. */
const ask =
  (request: ConfigurationRequest, said: string): Act<Promise<ConfigurationRefusal | null>> =>
  async (dispatch, getState, { link }) => {
    dispatch(actRefused(null));
    const reply = await link?.ask(request);
    if (!reply || reply.ok) {
      if (reply) dispatch(actDone(said));
      return null;
    }
    dispatch(actRefused(explainInboxRefusal(reply.reason, selectOffice(getState()))));
    return reply.reason as ConfigurationRefusal;
  };

/** Changes all of it or nothing. */
export const changeOffice = (edits: readonly Edit[], said: string) =>
  ask({ type: 'changeOffice', edits: [...edits] }, said);

export const undoChange = (entryId: string, said: string) => ask({ type: 'undoChange', entryId }, said);

export const goBackBefore = (entryId: string, said: string) => ask({ type: 'goBackBefore', entryId }, said);

/** Whether the office records calls, for everybody in it. */
export const setRecordingPolicy =
  (
    recording: OfficeSetup['policies']['recording'],
    said: string,
  ): Act<Promise<ConfigurationRefusal | null>> =>
  (dispatch, getState) => {
    const { setup } = selectOffice(getState());
    const value = { ...setup.policies, recording };
    return dispatch(changeOffice([editOf(setup, 'office', 'policies', { id: 'policies', value })], said));
  };
