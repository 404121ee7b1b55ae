import { addressWords } from '@/core/setup';
import { selectMyDeviceId, useAppDispatch, useAppSelector } from '@/state/app';
import { selectPlaceOfPhone, stillThere } from '@/state/place';
import { Notice } from '@/ui/notice';

import { useGo } from '../shared/useGo';

/** This device may have been carried elsewhere: whether help is still to be sent to where it was. */
export function PlaceNotice() {
  const dispatch = useAppDispatch();
  const go = useGo();
  const isDoubted = useAppSelector(({ settings }) => settings.isPlaceDoubted);
  const place = useAppSelector((state) => selectPlaceOfPhone(state, selectMyDeviceId(state)));
  if (!isDoubted || !place) return null;
  return (
    <Notice
      sentence={`The network is another one. Is this device still at ${addressWords(place)}? Help is sent there.`}
      action={{ word: 'Still there', onPress: () => void dispatch(stillThere()) }}
      otherwise={{ word: 'Elsewhere', onPress: go.place }}
    />
  );
}
