import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import {
  selectMyOtherDevices,
  selectOffice,
  sendAndSay,
  useAppDispatch,
  useAppSelector,
  type CallView,
} from '@/state/app';
import { Field } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space, useTheme } from '@/ui/tokens';

import { movedWords } from './movedWords';
import { RefusalLine } from './RefusalLine';

/** Takes the talk to another phone; the other side notices nothing. */
export function MoveSheet({ view, onClose }: { view: CallView; onClose: () => void }) {
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const devices = useAppSelector(selectMyOtherDevices);
  const office = useAppSelector(selectOffice);
  const [code, setCode] = useState('');
  const { legId } = view.me;
  const move = async (to: { deviceId: string } | { roomCode: string }, name: string) => {
    if (await dispatch(sendAndSay({ type: 'move', legId, to, atOnce: false }, movedWords(name)))) onClose();
  };
  const toRoom = () =>
    void move({ roomCode: code.trim() }, office.roomsByCode.get(code.trim())?.name ?? 'room phone');
  return (
    <Sheet title="Move this call to" onClose={onClose}>
      <View style={styles.stack}>
        <Txt colour={colours.faint}>You stay on here until you answer there, so no word is lost.</Txt>
        <RefusalLine />
        {devices.map(({ id, name, kind }) => (
          <Plate
            key={id}
            large
            kind={kind === 'mobile' ? 'main' : 'plain'}
            word={`My ${name}`}
            onPress={() => void move({ deviceId: id }, name)}
          />
        ))}
        <Field
          label="Code of a room’s phone"
          value={code}
          onChange={setCode}
          onSubmit={toRoom}
          numeric
          keyboard="number-pad"
        />
        <Plate word="To the room’s phone" disabled={code.trim() === ''} onPress={toRoom} />
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.m } });
