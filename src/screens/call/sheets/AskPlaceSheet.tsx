import { StyleSheet, View } from 'react-native';

import { addressWords } from '@/core/setup';
import { selectMyDeviceId, useAppDispatch, useAppSelector } from '@/state/app';
import { selectPlaceOfPhone, stillThere } from '@/state/place';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { useGo } from '../../shared/useGo';
import { usePlaceCall } from '../../shared/usePlaceCall';

interface AskPlaceSheetProps {
  to: string;
  isDialled: boolean;
  onClose: () => void;
}

/** Before the first call after the network has changed: whether help would still be sent to where this device was. */
export function AskPlaceSheet({ to, isDialled, onClose }: AskPlaceSheetProps) {
  const dispatch = useAppDispatch();
  const go = useGo();
  const placeCall = usePlaceCall();
  const place = useAppSelector((state) => selectPlaceOfPhone(state, selectMyDeviceId(state)));
  const call = () => {
    onClose();
    void placeCall(to, { isDialled });
  };
  if (!place) return null;
  return (
    <Sheet title="Before you call" onClose={onClose}>
      <View style={styles.stack}>
        <Txt>
          The network is another one. Is this device still at {addressWords(place)}? Help would be sent there.
        </Txt>
        <Plate
          kind="answer"
          large
          word="Still there, and call"
          onPress={() => {
            void dispatch(stillThere());
            call();
          }}
        />
        <Plate large word="Call now, say it later" onPress={call} />
        <Plate
          word="Say where I am"
          onPress={() => {
            onClose();
            go.place();
          }}
        />
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.m } });
