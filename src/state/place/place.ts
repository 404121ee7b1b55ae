import type { Action, ThunkAction } from '@reduxjs/toolkit';

import { interpretDialled } from '@/core/numbers/numbering';
import { addressWords, type Address, type PlaceOfPhone } from '@/core/setup';

import {
  actDone,
  explainInboxRefusal,
  placeDoubted,
  placesChosen,
  selectMyDeviceId,
  selectOffice,
  selectPlaces,
  type RootState,
  type Services,
} from '../app';

type Act<T> = ThunkAction<T, RootState, Services, Action>;

/** So many places are offered again. */
const mostPlaces = 8;

/** Where that phone is, as its owner has said it; null: nobody has. */
export const selectPlaceOfPhone = (state: RootState, deviceId: string): PlaceOfPhone | null =>
  selectOffice(state).devices.get(deviceId)?.place ?? null;

/** Whether it is to be asked, before that is called, if this device is still where it was said to be: once, and never before a call for help. */
export function asksPlace(state: RootState, to: string): boolean {
  const { isPlaceDoubted, isPlaceAsked } = state.settings;
  if (!isPlaceDoubted || isPlaceAsked) return false;
  const isForHelp = interpretDialled(to, selectOffice(state).plan).kind === 'emergency';
  return !isForHelp && selectPlaceOfPhone(state, selectMyDeviceId(state)) !== null;
}

/** Says where a phone is: help that is called from it is sent there. Gives why it is not kept; null: it is. */
export const setPlace =
  (deviceId: string, address: Address): Act<Promise<string | null>> =>
  async (dispatch, getState, { link }) => {
    const reply = await link?.ask({ type: 'setPlace', deviceId, address });
    if (!reply) return 'The office is not reached now. Try again.';
    const isSaid = reply.ok || reply.reason.code === 'nothingToChange';
    if (!isSaid) return explainInboxRefusal(reply.reason, selectOffice(getState()));
    const words = addressWords(address);
    const others = selectPlaces(getState()).filter((each) => addressWords(each) !== words);
    dispatch(placesChosen([address, ...others].slice(0, mostPlaces)));
    if (deviceId === selectMyDeviceId(getState())) dispatch(placeDoubted(false));
    dispatch(actDone(`Help that is called from there is sent to ${words}.`));
    return null;
  };

/** The network is another one, and this phone is where it was. */
export const stillThere = (): Act<Promise<void>> => async (dispatch, getState) => {
  const deviceId = selectMyDeviceId(getState());
  const place = selectPlaceOfPhone(getState(), deviceId);
  if (!place) return;
  const { at: _, ...address } = place;
  await dispatch(setPlace(deviceId, address));
};
