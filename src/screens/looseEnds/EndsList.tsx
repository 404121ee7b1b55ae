import { useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import { isElsewhere, isTask, type ClosedEnd } from '@/core/inbox/looseEnds';
import { formatClock } from '@/core/shared/time';
import {
  selectMyId,
  selectOffice,
  selectWork,
  selectLooseEnds,
  selectZone,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '@/state/app';
import { selectMailboxWords, selectOrder, takeBack } from '@/state/inbox';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { PlaceHead } from '../everything/PlaceHead';
import { QueueStrip } from '../queues/QueueStrip';
import { SetUpStrip } from '../ready/SetUpStrip';
import { useGo } from '../shared/useGo';
import { EndRow } from './EndRow';
import { WeightsSheet } from './WeightsSheet';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    scroll: { flex: 1, minHeight: 0 },
    foot: { flexDirection: 'row', flexWrap: 'wrap', padding: space.l, gap: space.m },
    more: { flexGrow: 1, flexBasis: '40%' },
    closed: {
      flexDirection: 'row',
      alignItems: 'center',
      gap: space.m,
      paddingHorizontal: space.l,
      paddingVertical: space.s,
      backgroundColor: colours.paper,
      borderTopWidth: 1,
      borderColor: colours.ink,
    },
    words: { flex: 1, minWidth: 0 },
    count: { paddingHorizontal: space.l, paddingTop: space.m },
  }),
);

/** So long the last closing stands under the list, to be taken back. */
const undoMs = 5 * 60_000;
const minuteMs = 60_000;

/** Everyone who waits, once each, in the order to answer them. */
export function EndsList({ selectedKey }: { selectedKey?: string }) {
  const styles = useStyles();
  const go = useGo();
  const now = useNow(1000);
  const ends = useAppSelector(selectLooseEnds);
  const myId = useAppSelector(selectMyId);
  // The order changes with the minutes, not with the seconds.
  const minute = Math.floor(now / minuteMs) * minuteMs;
  const ranked = useAppSelector((state) => selectOrder(state, minute));
  const [isWeighing, setWeighing] = useState(false);
  const mine = ranked.filter(({ end }) => !isElsewhere(end, myId));
  const tasks = mine.filter(({ end }) => isTask(end.who)).length;
  const waiting = mine.length - tasks;
  const work = useAppSelector(selectWork);
  const toDo = work.filter((item) => item.kind === 'followUp' && item.doneAt === null).length;
  const inMailbox = useAppSelector(selectMailboxWords);
  const [last] = ends?.closed ?? [];
  return (
    <>
      <ScrollView style={styles.scroll} tabIndex={0}>
        <PlaceHead at="loose" />
        <SetUpStrip now={minute} />
        <QueueStrip />
        {ends === null ? (
          <EmptyState title="Reading who waits" sentence="The calls of the last few days are being read." />
        ) : ranked.length === 0 ? (
          <EmptyState
            title="Nobody waits"
            sentence="Everyone who tried to reach you has been answered. Whoever tries next appears here."
          >
            <Plate kind="main" word="See every call" onPress={go.everything} />
          </EmptyState>
        ) : (
          <>
            <View style={styles.count}>
              <Txt as="small">
                {waiting === 1 ? 'One person waits for an answer' : `${waiting} people wait for an answer`}
                {tasks === 0 ? '' : ` · ${tasks === 1 ? 'one follow-up is' : `${tasks} follow-ups are`} due`}
                {inMailbox === '' ? '' : ` · ${inMailbox}`}
              </Txt>
            </View>
            <View role="list" aria-label="Who waits, in the order to answer them">
              {ranked.map((each) => (
                <EndRow
                  key={each.end.who.key}
                  ranked={each}
                  now={now}
                  isSelected={each.end.who.key === selectedKey}
                />
              ))}
            </View>
          </>
        )}
        {ends === null ? null : (
          <View style={styles.foot}>
            <Plate word="Voicemails" style={styles.more} onPress={go.voicemails} />
            <Plate word="Notes" style={styles.more} onPress={go.notes} />
            <Plate
              word={toDo === 0 ? 'Follow-ups' : `Follow-ups, ${toDo} to do`}
              style={styles.more}
              onPress={go.followUps}
            />
            {ranked.length === 0 ? null : (
              <Plate word="Why this order" style={styles.more} onPress={() => setWeighing(true)} />
            )}
          </View>
        )}
      </ScrollView>
      {last && now - last.at < undoMs ? <LastClosed closed={last} /> : null}
      {isWeighing ? <WeightsSheet onClose={() => setWeighing(false)} /> : null}
    </>
  );
}

const howWords: Record<ClosedEnd['how'], string> = {
  reachedByCall: 'was reached by your call',
  reachedByAnswer: 'called, and was answered',
  reachedByText: 'got your text',
  reachedByColleague: 'was reached by',
  done: 'is done',
  snoozed: 'was put off',
};

/** What was closed last, by itself or by hand, to be taken back. */
function LastClosed({ closed }: { closed: ClosedEnd }) {
  const { who, at, how, byId } = closed;
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const zone = useAppSelector(selectZone);
  const by = byId === null ? '' : ` ${office.people.get(byId)?.name ?? 'a colleague'}`;
  return (
    <View style={styles.closed} role="status">
      <Txt style={styles.words}>{`${who.name} ${howWords[how]}${by}, ${formatClock(at, zone)}.`}</Txt>
      <Plate
        word="Undo"
        label={`Undo: ${who.name} waits again`}
        onPress={() => void dispatch(takeBack(closed))}
      />
    </View>
  );
}
