import type { Action, ThunkAction } from '@reduxjs/toolkit';
import { useEffect, useState } from 'react';

import type { Call, Command, CommandResult } from '@/core/calls/exchange';
import type { OfficeUpdate, Playing } from '@/office/link';
import type { InboxRequest } from '@/core/office';
import type { Script } from '@/office/standins';

import { actDone, actRefused, explainRefusal, useServices, type RootState, type Services } from '@/state/app';

type Act<T> = ThunkAction<T, RootState, Services, Action>;

/** Does one thing as one of those outside. A refusal becomes a sentence on the screen. */
export const sendOutside =
  (command: Command): Act<Promise<CommandResult | null>> =>
  async (dispatch, _, { outside }) => {
    dispatch(actRefused(null));
    const result = await (await outside()).send(command);
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

/** Has somebody outside do something, or behave otherwise from now on. */
export const playOutside =
  (asked: Playing): Act<Promise<void>> =>
  async (_, __, { outside }) =>
    (await outside()).play(asked);

/** Has a colleague, whose app nobody is signed in with, ask for one thing beside calls. */
export const askAsColleague =
  (personId: string, request: InboxRequest): Act<Promise<void>> =>
  async (_, __, { outside }) =>
    void (await (await outside()).askAs(personId, request));

/** How somebody behaves when they are called; null until it is known. */
export function useScriptOf(party: string): Script | null {
  const { outside } = useServices();
  const [known, setKnown] = useState<{ party: string; script: Script } | null>(null);
  const [asked, setAsked] = useState(0);
  useEffect(() => {
    let isOver = false;
    let stop: () => void = () => undefined;
    void outside().then(async (link) => {
      if (isOver) return;
      // Whoever has them behave otherwise is told of it as of anything else that is played.
      stop = link.subscribe(() => setAsked((times) => times + 1));
      const script = await link.scriptOf(party);
      if (!isOver) setKnown({ party, script });
    });
    return () => {
      isOver = true;
      stop();
    };
  }, [outside, party, asked]);
  return known?.party === party ? known.script : null;
}

/** All calls of the office, as who plays the phones outside sees them; of these the worker's own app shows only what is theirs. */
export function useOutsideCalls(): readonly Call[] {
  const { outside } = useServices();
  const [calls, setCalls] = useState<readonly Call[]>([]);
  useEffect(() => {
    let isOver = false;
    let stop: () => void = () => undefined;
    const byId = new Map<string, Call>();
    const take = ({ changedCalls, endedCallIds, isWhole }: OfficeUpdate) => {
      if (!isWhole && changedCalls.length + endedCallIds.length === 0) return;
      if (isWhole) byId.clear();
      for (const call of changedCalls) byId.set(call.id, call);
      for (const id of endedCallIds) byId.delete(id);
      setCalls([...byId.values()]);
    };
    void outside().then(async (link) => {
      if (isOver) return;
      // What is told while everything is being read is in it.
      stop = link.subscribe(take);
      const all = await link.snapshot();
      if (!isOver) take(all);
    });
    return () => {
      isOver = true;
      stop();
    };
  }, [outside]);
  return calls;
}
