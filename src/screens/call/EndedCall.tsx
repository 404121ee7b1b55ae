import { StyleSheet, View } from 'react-native';

import { describeOutcome, talkMs } from '@/core/history';
import { formatDuration } from '@/core/time';
import { identifyNumber, selectOffice, selectPeople, useAppSelector } from '@/state/app';
import { CordEdge } from '@/ui/cord';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { useGo } from '../shared/useGo';
import { useLayout } from '../shared/useLayout';
import { usePlaceCall } from '../shared/usePlaceCall';
import { ElsewhereList } from './ElsewhereList';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1, justifyContent: 'flex-end' },
    card: {
      flexDirection: 'row',
      backgroundColor: colours.sheet,
      borderTopWidth: 1,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    words: { flex: 1, padding: space.l, gap: space.xs },
    acts: { flexDirection: 'row', gap: space.m, padding: space.l },
    grow: { flex: 1 },
  }),
);

/** What stays on the call's screen once the last call has ended: how it went, and the next obvious act. */
export function EndedCall() {
  const styles = useStyles();
  const go = useGo();
  const { hasThird } = useLayout();
  const placeCall = usePlaceCall();
  const office = useAppSelector(selectOffice);
  const people = useAppSelector(selectPeople);
  const lastEndedId = useAppSelector((state) => state.calls.lastEndedId);
  const record = useAppSelector((state) => state.history.records[0]);
  if (!record || record.callId !== lastEndedId) {
    return (
      <View style={styles.screen}>
        <EmptyState
          level={1}
          title="No call on this device"
          sentence="When you call somebody or somebody calls you, the cords between you are drawn here."
        >
          <Plate kind="main" word="Dial" onPress={go.dial} />
        </EmptyState>
        {hasThird ? null : <ElsewhereList />}
      </View>
    );
  }
  const { name, detail } = identifyNumber(record.other.number, record.other.name, people);
  const line = office.lines.get(record.lineId ?? '');
  const { number } = record.other;
  return (
    <View style={styles.screen}>
      {hasThird ? null : <ElsewhereList />}
      <View style={styles.card}>
        <CordEdge cord={line?.cord ?? null} />
        <View style={styles.words}>
          <Txt as="title" level={1}>
            {name}
          </Txt>
          <Txt as="small">{detail}</Txt>
          <Txt as="strong">{describeOutcome(record, office)}</Txt>
          <Txt as="monoLarge">{formatDuration(talkMs(record))}</Txt>
        </View>
      </View>
      <View style={styles.acts}>
        {number === null ? null : (
          <Plate word="Call again" onPress={() => void placeCall(number)} style={styles.grow} />
        )}
        <Plate kind="main" word="Done" onPress={go.everything} style={styles.grow} />
      </View>
    </View>
  );
}
