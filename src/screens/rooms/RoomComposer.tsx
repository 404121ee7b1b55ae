import { StyleSheet, View } from 'react-native';

import type { Room } from '@/core/inbox/messages';
import { useAppDispatch } from '@/state/app';
import { writeInRoom } from '@/state/inbox';
import { Field } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { space, themed } from '@/ui/tokens';

import { useUnsent } from '../shared/useUnsent';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    composer: {
      flexDirection: 'row',
      alignItems: 'flex-end',
      gap: space.s,
      padding: space.m,
      backgroundColor: colours.paper,
      borderTopWidth: 1,
      borderColor: colours.ink,
    },
    field: { flex: 1, minWidth: 0 },
  }),
);

/** Writes a line into a room. */
export function RoomComposer({ room }: { room: Room }) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const [text, setText] = useUnsent(`room:${room.id}`);
  const send = async () => {
    if (text.trim() === '') return;
    setText('');
    // What could not be written stays, unless something else is being written by now.
    if (!(await dispatch(writeInRoom(room, text.trim())))) setText((now) => (now === '' ? text : now));
  };
  return (
    <View style={styles.composer}>
      <View style={styles.field}>
        <Field label={`Write in ${room.name}`} value={text} onChange={setText} onSubmit={() => void send()} />
      </View>
      <Plate kind="main" word="Send" disabled={text.trim() === ''} onPress={() => void send()} />
    </View>
  );
}
