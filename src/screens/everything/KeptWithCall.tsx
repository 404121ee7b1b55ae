import { StyleSheet, View } from 'react-native';

import type { CallRecord } from '@/core/calls/exchange';
import { roomIdOf } from '@/core/inbox/messages';
import {
  finishFollowUp,
  identifyNumber,
  selectOffice,
  selectPeople,
  selectZone,
  selectWork,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '@/state/app';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { followUpWords } from '../followUps/followUpWords';
import { authorOf } from '../rooms/roomWords';
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
  const now = useNow(60_000);
  const people = useAppSelector(selectPeople);
  const office = useAppSelector(selectOffice);
  const items = useAppSelector(selectWork).filter(({ callId }) => callId === record.callId);
  const texts = useAppSelector((state) => state.inbox.kept.messages);
  const written = Object.values(texts)
    .filter(({ callId, number }) => callId === record.callId || roomIdOf(number) === record.callId)
    .sort((a, b) => a.at - b.at);
  if (items.length + written.length + record.recordings.length === 0) return null;
  return (
    <View style={styles.kept}>
      <Txt as="heading" level={2}>
        Kept
      </Txt>
      {record.recordings.map((recording) => (
        <RecordingPlayer key={recording.id} record={record} recording={recording} />
      ))}
      {written.map((message) => (
        <View key={message.id} style={styles.item}>
          <View style={styles.words}>
            <Txt>{message.text}</Txt>
            <Txt as="small">
              {roomIdOf(message.number) === null
                ? `Texted to ${identifyNumber(message.number, null, people).name}`
                : `${authorOf(message, office)}, in the chat`}
            </Txt>
          </View>
        </View>
      ))}
      {items.map((item) => (
        <View key={item.id} style={styles.item}>
          <View style={styles.words}>
            <Txt>{item.text}</Txt>
            <Txt as="small">
              {item.kind === 'note' ? 'Note' : null}
              {item.kind === 'followUp' ? followUpWords(item, now, zone) : null}
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
