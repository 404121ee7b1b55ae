import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { fieldNames, fillFields, unknownFields } from '@/core/inbox/messages';
import { readyReplies } from '@/core/inbox/replies';
import { formatClock } from '@/core/shared/time';
import {
  ownRepliesChosen,
  selectOwnReplies,
  selectMyId,
  selectOffice,
  selectZone,
  useAppDispatch,
  useAppSelector,
  useServices,
} from '@/state/app';
import { Field } from '@/ui/field';
import { Row } from '@/ui/list';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

const repliesWithFields = [
  ...readyReplies,
  'Hello {firstName}, I am free at {nextFree} and call you then. {myName}',
] as const;

const hourMs = 3_600_000;

interface RepliesSheetProps {
  /** To whom it is written. */
  name: string;
  onTake: (text: string) => void;
  onClose: () => void;
}

/** Replies that are ready, their fields filled; and the worker's own, written here. */
export function RepliesSheet({ name, onTake, onClose }: RepliesSheetProps) {
  const dispatch = useAppDispatch();
  const { clock } = useServices();
  const zone = useAppSelector(selectZone);
  const office = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const own = useAppSelector(selectOwnReplies);
  const [now] = useState(() => clock.now());
  const [typed, setTyped] = useState('');
  const [error, setError] = useState<string | null>(null);
  const fields = {
    firstName: /^[\p{L}’'-]+ [\p{L}’'-]+$/u.test(name) ? (name.split(' ')[0] ?? '') : '',
    nextFree: formatClock(Math.ceil((now + 1) / hourMs) * hourMs, zone),
    myName: office.people.get(myId)?.name.split(' ')[0] ?? '',
  };
  const keep = () => {
    const reply = typed.trim();
    const [unknown] = unknownFields(reply);
    if (reply === '') return setError('Write the reply first.');
    if (unknown !== undefined)
      return setError(`{${unknown}} means nothing here. There are ${fieldsInWords}.`);
    dispatch(ownRepliesChosen([...own.filter((each) => each !== reply), reply]));
    setTyped('');
  };
  return (
    <Sheet title="Ready replies" onClose={onClose}>
      <View style={styles.stack}>
        {repliesWithFields.map((reply) => {
          const filled = fillFields(reply, fields);
          return <Row key={reply} title={filled} onPress={() => onTake(filled)} />;
        })}
        {own.map((reply) => {
          const filled = fillFields(reply, fields);
          return (
            <View key={reply} style={styles.own}>
              <View style={styles.grow}>
                <Row title={filled} onPress={() => onTake(filled)} />
              </View>
              <Plate
                word="Remove"
                label={`Remove: ${filled}`}
                onPress={() => dispatch(ownRepliesChosen(own.filter((each) => each !== reply)))}
              />
            </View>
          );
        })}
        <Field
          label="A reply of your own"
          value={typed}
          onChange={(value) => {
            setTyped(value);
            setError(null);
          }}
          error={error}
          lines={2}
        />
        <Txt as="small">{`${fieldsInWords} are filled in when you use it.`}</Txt>
        <Plate word="Keep this reply" onPress={keep} />
      </View>
    </Sheet>
  );
}

const fieldsInWords = fieldNames.map((field) => `{${field}}`).join(', ');

const styles = StyleSheet.create({
  stack: { gap: space.s },
  own: { flexDirection: 'row', alignItems: 'center', gap: space.s },
  grow: { flex: 1, minWidth: 0 },
});
