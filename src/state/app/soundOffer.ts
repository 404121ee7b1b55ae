import type { Action, ThunkAction } from '@reduxjs/toolkit';

import type { Services } from './services';
import { actDone, soundChosen, soundOffered } from './slices';
import type { RootState } from './store';

/** Uses for calls what has been plugged in. */
export const takeSoundOffer = (): ThunkAction<void, RootState, Services, Action> => (dispatch, getState) => {
  const { soundOffer } = getState().notices;
  if (!soundOffer) return;
  const { microphone, speaker, name } = soundOffer;
  dispatch(soundChosen({ ...(microphone && { microphone }), ...(speaker && { speaker }) }));
  dispatch(soundOffered(null));
  dispatch(actDone(`Calls go by ${name} now. What rings stays where it was.`));
};
