import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { roomNameProblem } from '@/core/inbox/messages';
import { selectMyId, selectOffice, useAppDispatch, useAppSelector } from '@/state/app';
import { openRoom } from '@/state/inbox';
import { Choice, Field, Ticks } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { space } from '@/ui/tokens';

import { whetherHere } from '../shared/afterPaint';
import { useGo } from '../shared/useGo';

/** A room with its name, who may read it, and who is in it from the start. */
export function NewRoomSheet({ onClose }: { onClose: () => void }) {
  const dispatch = useAppDispatch();
  const go = useGo();
  const office = useAppSelector(selectOffice);
  const rooms = useAppSelector((state) => state.inbox.kept.rooms);
  const myId = useAppSelector(selectMyId);
  const [name, setName] = useState('');
  const [kind, setKind] = useState<'open' | 'closed'>('open');
  const [memberIds, setMemberIds] = useState<string[]>([]);
  const [error, setError] = useState<string | null>(null);
  const open = async () => {
    const problem = roomNameProblem(name, Object.values(rooms));
    setError(problem);
    if (problem !== null) return;
    const isHere = whetherHere();
    const id = await dispatch(openRoom(name, kind === 'open', memberIds));
    if (id === null) return;
    onClose();
    if (isHere()) go.room(id);
  };
  return (
    <Sheet title="A new room" onClose={onClose}>
      <View style={styles.stack}>
        <Field
          label="Name of the room"
          value={name}
          onChange={(typed) => {
            setName(typed);
            setError(null);
          }}
          onSubmit={() => void open()}
          error={error}
        />
        <Choice
          label="Who may read it"
          value={kind}
          options={[
            { value: 'open', word: 'Open', detail: 'everybody in the office may read it and come in' },
            { value: 'closed', word: 'Closed', detail: 'only those in it know of it' },
          ]}
          onChoose={setKind}
        />
        <Ticks
          label="Who is in it"
          options={office.setup.people
            .filter(({ id }) => id !== myId)
            .map(({ id, name: person }) => ({ value: id, word: person }))}
          chosen={memberIds}
          onChange={setMemberIds}
        />
        <Plate kind="main" word="Open the room" onPress={() => void open()} />
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.m } });
