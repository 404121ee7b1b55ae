import type { Action, ThunkAction } from '@reduxjs/toolkit';

import type { Command, CommandResult } from '@/core/exchange';
import type { ClockSetting } from '@/office/clock';
import type { Script } from '@/office/standins';

import { explainRefusal } from './refusals';
import { selectIncoming } from './selectors';
import type { Services } from './services';
import { actRefused, clockChanged, dialTextChanged, ringSilenced } from './slices';
import type { RootState } from './store';

type Act<T = void> = ThunkAction<T, RootState, Services, Action>;

/** Asks the office for one thing. A refusal becomes a sentence on the screen. */
export const send =
  (command: Command): Act<Promise<CommandResult | null>> =>
  async (dispatch, _, { link }) => {
    if (!link) return null;
    const result = await link.send(command);
    dispatch(actRefused(result.ok ? null : explainRefusal(result.reason)));
    return result;
  };

/** Places a call from this device, showing the line that is chosen. The field is emptied once the call is there. */
export const placeCall =
  (to: string): Act<Promise<boolean>> =>
  async (dispatch, getState) => {
    const { office, settings } = getState();
    if (!office.me) return false;
    const present = settings.withhold
      ? ('withhold' as const)
      : settings.presentedLineId !== null
        ? { lineId: settings.presentedLineId }
        : undefined;
    const from = { kind: 'device' as const, deviceId: office.me.deviceId };
    const result = await dispatch(send({ type: 'make', from, to, present }));
    if (!result?.ok) return false;
    dispatch(dialTextChanged(''));
    return true;
  };

/** The first thing that waits is answered; the call talked on is held. */
export const answerFirst = (): Act<Promise<CommandResult | null>> => async (dispatch, getState) => {
  const [first] = selectIncoming(getState());
  return first ? dispatch(send({ type: 'answer', legId: first.me.legId })) : null;
};

export const silence =
  (callId: string): Act =>
  (dispatch) => {
    dispatch(ringSilenced(callId));
  };

export const setScript =
  (party: string, script: Script): Act<Promise<void>> =>
  async (_, __, { link }) =>
    link?.setScript(party, script);

export const setClock =
  (change: { moveOnMs: number } | 'stop' | 'run' | ClockSetting): Act =>
  (dispatch, _, { clock }) => {
    if (change === 'stop') clock.fixAt(clock.now());
    else if (change === 'run') clock.run();
    else if ('moveOnMs' in change) clock.moveOn(change.moveOnMs);
    else clock.set(change);
    dispatch(clockChanged(clock.get()));
  };

export const takeOver = (): Act<Promise<void>> => (_, __, services) => services.takeOver();
