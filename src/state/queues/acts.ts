import type { Action, ThunkAction } from '@reduxjs/toolkit';

import type { AgentState } from '@/core/calls/exchange';
import { selectMyDeviceId, selectMyId, send, sendAndSay, type RootState, type Services } from '../app';

type Act<T> = ThunkAction<T, RootState, Services, Action>;

/** Signs the worker in to a team's calls, out of them, or on a break. */
export const setMyAgentState =
  (teamId: string, state: AgentState, reason: string, said: string): Act<Promise<boolean>> =>
  (dispatch, getState) =>
    dispatch(
      sendAndSay(
        { type: 'setAgentState', teamId, personId: selectMyId(getState()), state, reason: reason.trim() },
        said,
      ),
    );

/** Takes one that waits to this device. Says whether they are here. */
export const takeWaiting =
  (callId: string): Act<Promise<boolean>> =>
  async (dispatch, getState) => {
    const result = await dispatch(
      send({ type: 'takeWaiting', deviceId: selectMyDeviceId(getState()), callId }),
    );
    return result?.ok ?? false;
  };
