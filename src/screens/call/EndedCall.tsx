import { StyleSheet, View } from 'react-native';

import type { CallRecord } from '@/core/calls/exchange';
import { describeOutcome, talkMs } from '@/core/calls/history';
import { formatDuration } from '@/core/shared/time';
import {
  canTakeBack,
  identifyNumber,
  selectHandedOver,
  selectOffice,
  selectPeople,
  takeBackCall,
  useAppDispatch,
  useAppSelector,
  useNow,
  type HandedOver,
} from '@/state/app';
import { CordEdge } from '@/ui/cord';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { useGo } from '../shared/useGo';
import { useLayout } from '../shared/useLayout';
import { usePlaceCall } from '../shared/usePlaceCall';
import { ElsewhereList } from './ElsewhereList';
import { handedOutcome, handedWords } from './handedWords';

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
    acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.m, padding: space.l },
    grow: { flex: 1 },
  }),
);

/** What stays on the call's screen once the last call has ended: how it went, and the next obvious act. */
export function EndedCall() {
  const styles = useStyles();
  const go = useGo();
  const { hasThird } = useLayout();
  const handed = useAppSelector(selectHandedOver).reduce<HandedOver | null>(
    (latest, view) => (latest && latest.at >= view.at ? latest : view),
    null,
  );
  const lastEndedId = useAppSelector((state) => state.calls.lastEndedId);
  const record = useAppSelector((state) =>
    state.history.records.slice(0, latestLooked).find(({ callId }) => callId === lastEndedId),
  );
  if (handed && (!record || record.endedAt <= handed.at)) return <Handed view={handed} />;
  if (record) return <Ended record={record} />;
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

/** A long call ends after shorter ones that began later, and stands behind them. */
const latestLooked = 20;

/** The customer was handed over, and is what one wants to know about. */
function Handed({ view }: { view: HandedOver }) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const now = useNow();
  const go = useGo();
  const { hasThird } = useLayout();
  return (
    <View style={styles.screen}>
      {hasThird ? null : <ElsewhereList exceptCallId={view.callId} />}
      <View style={styles.card}>
        <CordEdge cord={null} />
        <View style={styles.words} aria-live="polite">
          <Txt as="title" level={1}>
            {view.name}
          </Txt>
          <Txt>{`Handed to ${view.toName}`}</Txt>
          <Txt as="strong">{capital(handedWords(view, now))}</Txt>
        </View>
      </View>
      <View style={styles.acts}>
        {canTakeBack(view, now) ? (
          <Plate
            word="Take back"
            label={`Take back ${view.name}`}
            onPress={() => void dispatch(takeBackCall(view))}
            style={styles.grow}
          />
        ) : null}
        <Plate kind="main" word="Done" onPress={go.back} style={styles.grow} />
      </View>
    </View>
  );
}

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

function Ended({ record }: { record: CallRecord }) {
  const styles = useStyles();
  const go = useGo();
  const { hasThird } = useLayout();
  const placeCall = usePlaceCall();
  const office = useAppSelector(selectOffice);
  const people = useAppSelector(selectPeople);
  const { number } = record.other;
  const { name, detail } = identifyNumber(number, record.other.name, people);
  const line = office.ever.lines.get(record.lineId ?? '');
  const isStranger = number !== null && number.startsWith('+') && people.whoHas(number) === null;
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
          <Txt as="strong">{handedOutcome(record, office) ?? describeOutcome(record, office)}</Txt>
          <Txt as="monoLarge">{formatDuration(talkMs(record))}</Txt>
        </View>
      </View>
      <View style={styles.acts}>
        {isStranger ? (
          <Plate word="Add contact" onPress={() => go.newContact(number)} style={styles.grow} />
        ) : null}
        {number === null ? null : (
          <Plate
            word="Call again"
            label={`Call again: ${name}`}
            onPress={() => void placeCall(number)}
            style={styles.grow}
          />
        )}
        <Plate kind="main" word="Done" onPress={go.back} style={styles.grow} />
      </View>
    </View>
  );
}
