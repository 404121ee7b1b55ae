import { StyleSheet, View } from 'react-native';

import type { CallRecord } from '@/core/exchange';
import { formatDayAndClock } from '@/core/time';
import {
  finishFollowUp,
  identifyNumber,
  selectPeople,
  selectZone,
  useAppDispatch,
  useAppSelector,
} from '@/state/app';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { RecordingPlayer } from './RecordingPlayer';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    kept: { gap: space.s },
    item: {
      flexDirection: 'row',
      alignItems: 'center',
      gap: space.m,
      paddingVertical: space.s,
      borderTopWidth: 1,
      borderColor: colours.rule,
    },
    words: { flex: 1, minWidth: 0 },
  }),
);

/** What was kept of a call beside its record: recordings, notes, texts and follow-ups. */
export function KeptWithCall({ record }: { record: CallRecord }) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const zone = useAppSelector(selectZone);
  const people = useAppSelector(selectPeople);
  const items = useAppSelector((state) => state.work.items).filter(({ callId }) => callId === record.callId);
  if (items.length === 0 && record.recordings.length === 0) return null;
  return (
    <View style={styles.kept}>
      <Txt as="heading" level={2}>
        Kept
      </Txt>
      {record.recordings.map((recording) => (
        <RecordingPlayer key={recording.id} recording={recording} startedAt={record.startedAt} />
      ))}
      {items.map((item) => (
        <View key={item.id} style={styles.item}>
          <View style={styles.words}>
            <Txt>{item.text}</Txt>
            <Txt as="small">
              {item.kind === 'note' ? 'Note' : null}
              {item.kind === 'text' ? `Texted to ${identifyNumber(item.to, null, people).name}` : null}
              {item.kind === 'followUp' ? `Follow-up, ${formatDayAndClock(item.dueAt, zone)}` : null}
              {item.kind === 'followUp' && item.doneAt !== null ? ', done' : null}
            </Txt>
          </View>
          {item.kind === 'followUp' ? (
            <Plate
              word={item.doneAt === null ? 'Done' : 'Undo'}
              onPress={() => dispatch(finishFollowUp(item.id, item.doneAt === null))}
            />
          ) : null}
        </View>
      ))}
    </View>
  );
}
