import { useEffect, useRef, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';

import { targetName, type OfficeIndex } from '@/core/setup';
import type { Difference, LookBack, PastOutcome, PastResult } from '@/core/plans/lookBack';
import { formatClock, formatDay } from '@/core/shared/time';
import {
  identifyNumber,
  selectChangedOffice,
  selectIsPlanChanged,
  selectMyId,
  selectOffice,
  selectPeople,
  selectZone,
  useAppSelector,
  useAppStore,
  useNow,
} from '@/state/app';
import { lookBackInWorker } from '@/workers';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, target, themed, useTheme } from '@/ui/tokens';

import { useGo } from '../shared/useGo';
import { selectPastCalls } from './selectPastCalls';

type State =
  | { kind: 'idle' }
  | { kind: 'running'; share: number }
  | { kind: 'done'; result: LookBack }
  | { kind: 'failed'; reason: string };

const daysBack = 90;
const dayMs = 24 * 60 * 60_000;
const shownAtOnce = 30;

const outcomes: readonly { outcome: PastOutcome; word: string }[] = [
  { outcome: 'taken', word: 'taken by you' },
  { outcome: 'takenByOther', word: 'taken by others' },
  { outcome: 'finish', word: 'reached the finish' },
  { outcome: 'left', word: 'hung up while it rang' },
];

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    all: { gap: space.m },
    acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
    bar: { height: 8, backgroundColor: colours.rule },
    done: { height: 8, backgroundColor: colours.spruce },
    row: {
      flexDirection: 'row',
      gap: space.s,
      paddingVertical: space.s,
      borderTopWidth: 1,
      borderColor: colours.rule,
    },
    word: { flex: 1, minWidth: 0 },
    figure: { width: 64, textAlign: 'right' },
    call: { minHeight: target, paddingVertical: space.s, borderTopWidth: 1, borderColor: colours.rule },
  }),
);

/** The changed plan on the calls of the last ninety days: what would have become of them, and which would differ. */
export function LookBackView() {
  const styles = useStyles();
  const store = useAppStore();
  const now = useNow(60_000);
  const isChanged = useAppSelector(selectIsPlanChanged);
  const isComplete = useAppSelector((state) => state.history.isComplete);
  const changed = useAppSelector(selectChangedOffice);
  const inForce = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const [state, setState] = useState<State>({ kind: 'idle' });
  const stop = useRef<() => void>(() => undefined);
  useEffect(() => () => stop.current(), []);
  useEffect(() => {
    stop.current();
    setState({ kind: 'idle' });
  }, [changed, inForce]);

  const run = () => {
    setState({ kind: 'running', share: 0 });
    const since = now - daysBack * dayMs;
    stop.current = lookBackInWorker(
      {
        inForce: inForce.setup,
        changed: changed.setup,
        personId: myId,
        calls: selectPastCalls(store.getState()).filter(({ at }) => at >= since),
      },
      {
        onProgress: (share) => setState({ kind: 'running', share }),
        onResult: (result) => setState({ kind: 'done', result }),
        onFailure: (reason) => setState({ kind: 'failed', reason }),
      },
    );
  };
  const halt = () => {
    stop.current();
    setState({ kind: 'idle' });
  };
  return (
    <View style={styles.all} role="region" aria-label="Look back">
      <Txt>
        {isChanged
          ? 'Your changed plan, tried on the calls of the last 90 days.'
          : 'Nothing is changed yet: the plan in force, tried on the calls of the last 90 days. Change a bar or a rule first to compare.'}
      </Txt>
      {state.kind === 'running' ? (
        <View role="progressbar" aria-label="Looking back" aria-valuenow={Math.round(state.share * 100)}>
          <View style={styles.bar}>
            <View style={[styles.done, { width: `${state.share * 100}%` }]} />
          </View>
        </View>
      ) : null}
      {state.kind === 'failed' ? <Txt>{`It could not be computed: ${state.reason}`}</Txt> : null}
      <View style={styles.acts}>
        {state.kind === 'running' ? (
          <Plate word="Stop" onPress={halt} />
        ) : (
          <Plate
            word={isComplete ? 'Look back' : 'The calls are still being read'}
            kind="main"
            disabled={!isComplete}
            onPress={run}
          />
        )}
      </View>
      {state.kind === 'done' ? <Result result={state.result} /> : null}
    </View>
  );
}

function Result({ result }: { result: LookBack }) {
  const styles = useStyles();
  const [shown, setShown] = useState(shownAtOnce);
  const { total, before, after, atMobile, differences } = result;
  if (total === 0)
    return <EmptyState title="No calls to look back on" sentence="None came to you in these 90 days." />;
  const more = atMobile.after - atMobile.before;
  return (
    <View style={styles.all}>
      <Txt as="strong">
        {`Of ${total} calls you would have taken ${after.taken} instead of ${before.taken}, and ${more === 0 ? 'as many as before' : `${Math.abs(more)} ${more > 0 ? 'more' : 'fewer'}`} would have rung at your mobile.`}
      </Txt>
      <View role="table" aria-label="Then and now">
        <View style={styles.row} role="row">
          <Txt as="small" style={styles.word}>
            of {total} calls
          </Txt>
          <Txt as="small" style={styles.figure}>
            in force
          </Txt>
          <Txt as="small" style={styles.figure}>
            changed
          </Txt>
        </View>
        {outcomes.map(({ outcome, word }) => (
          <View key={outcome} style={styles.row} role="row">
            <Txt style={styles.word}>{word}</Txt>
            <Txt as="mono" style={styles.figure}>
              {before[outcome]}
            </Txt>
            <Txt as="mono" style={styles.figure}>
              {after[outcome]}
            </Txt>
          </View>
        ))}
      </View>
      <Txt as="small">
        Whoever took a call takes it again, just as soon after it rings. A phone that did not ring then counts
        as answered if its owner used it within three quarters of an hour.
      </Txt>
      <Txt as="heading" level={2}>
        {differences.length === 1 ? 'One call that differs' : `${differences.length} calls that differ`}
      </Txt>
      {differences.slice(0, shown).map((difference) => (
        <DifferentCall key={difference.call.id} difference={difference} />
      ))}
      {differences.length > shown ? (
        <Plate
          word={`${Math.min(shownAtOnce, differences.length - shown)} more of them`}
          onPress={() => setShown(shown + shownAtOnce)}
        />
      ) : null}
    </View>
  );
}

function DifferentCall({ difference: { call, before, after } }: { difference: Difference }) {
  const styles = useStyles();
  const { colours } = useTheme();
  const go = useGo();
  const zone = useAppSelector(selectZone);
  const office = useAppSelector(selectOffice);
  const people = useAppSelector(selectPeople);
  const myId = useAppSelector(selectMyId);
  const now = useNow(60_000);
  const { caller } = call;
  const name = caller.personId
    ? (office.people.get(caller.personId)?.name ?? '')
    : identifyNumber(caller.number, null, people).name;
  const words = `${resultWords(before, office, myId)} → ${resultWords(after, office, myId)}`;
  return (
    <Pressable
      role="button"
      aria-label={`${name}, ${formatDay(call.at, now, zone)} ${formatClock(call.at, zone)}: ${words}`}
      onPress={() => go.record(call.id)}
      style={styles.call}
    >
      <Txt as="strong" lines={1}>
        {name}
      </Txt>
      <Txt as="small">{words}</Txt>
      <Txt as="mono" colour={colours.faint}>
        {`${formatDay(call.at, now, zone)} ${formatClock(call.at, zone)}`}
      </Txt>
    </Pressable>
  );
}

function resultWords(
  { outcome, deviceId, number, seconds }: PastResult,
  office: OfficeIndex,
  myId: string,
): string {
  const at = `second ${Math.round(seconds)}`;
  if (outcome === 'finish') return `the finish at ${at}`;
  if (outcome === 'left') return `hung up at ${at}`;
  return `${targetName({ deviceId, number }, office, myId)} at ${at}`;
}
