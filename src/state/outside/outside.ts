import type { Action, ThunkAction } from '@reduxjs/toolkit';
import { useEffect, useState } from 'react';

import type { Call, Command, CommandResult } from '@/core/calls/exchange';
import type { Network } from '@/core/calls/quality';
import type { Script } from '@/office/standins';

import { actDone, actRefused, explainRefusal, useServices, type RootState, type Services } from '@/state/app';

type Act<T> = ThunkAction<T, RootState, Services, Action>;

/** Does one thing as one of those outside. A refusal becomes a sentence on the screen. */
export const sendOutside =
  (command: Command): Act<Promise<CommandResult | null>> =>
  async (dispatch, _, { outside }) => {
    if (!outside) return null;
    dispatch(actRefused(null));
    const result = await outside.send(command);
    if (!result.ok) dispatch(actRefused(explainRefusal(result.reason)));
    return result;
  };

/** Does one thing as one of those outside, and says what is true afterwards. */
export const sendOutsideAndSay =
  (command: Command, done: string): Act<Promise<boolean>> =>
  async (dispatch) => {
    const result = await dispatch(sendOutside(command));
    if (result?.ok) dispatch(actDone(done));
    return result?.ok ?? false;
  };

export const setScript =
  (party: string, script: Script): Act<Promise<void>> =>
  async (_, __, { outside }) =>
    outside?.setScript(party, script);

export const setNetwork =
  (network: Network): Act<Promise<void>> =>
  async (_, __, { outside }) =>
    outside?.setNetwork(network);

/** All calls of the office, as who plays the phones outside sees them; of these the worker's own app shows only what is theirs. */
export function useOutsideCalls(): readonly Call[] {
  const { outside } = useServices();
  const [calls, setCalls] = useState<readonly Call[]>([]);
  useEffect(() => {
    if (!outside) return;
    const byId = new Map<string, Call>();
    const endedIds = new Set<string>();
    let isOver = false;
    const show = () => setCalls([...byId.values()]);
    const stop = outside.subscribe(({ changedCalls, endedCallIds }) => {
      if (changedCalls.length + endedCallIds.length === 0) return;
      for (const call of changedCalls) byId.set(call.id, call);
      for (const id of endedCallIds) {
        byId.delete(id);
        endedIds.add(id);
      }
      show();
    });
    void outside.snapshot().then(({ changedCalls }) => {
      // What has been told meanwhile is newer.
      for (const call of changedCalls)
        if (!byId.has(call.id) && !endedIds.has(call.id)) byId.set(call.id, call);
      if (!isOver) show();
    });
    return () => {
      isOver = true;
      stop();
    };
  }, [outside]);
  return calls;
}
