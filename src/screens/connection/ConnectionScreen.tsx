import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { byPlace, networkOfTest, type ConnectionTest, type TestedPlace } from '@/core/calls/quality';
import { formatMoment } from '@/core/shared/time';
import { selectZone, useAppSelector, useNow, useServices } from '@/state/app';
import type { TestStep } from '@/state/connection';
import { Choice, Field } from '@/ui/field';
import { ActLine } from '@/ui/list';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { ListScreen } from '../shared/ListScreen';
import { useGo } from '../shared/useGo';
import {
  codecWords,
  oneWayWords,
  placeWord,
  reachedWords,
  roundTripWords,
  verdictOf,
  waysWords,
} from './connectionWords';
import { PlaceMarks } from './PlaceMarks';
import { useTests } from './useTests';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    part: { padding: space.l, gap: space.m },
    result: { padding: space.l, gap: space.s, backgroundColor: colours.sheet, borderBottomWidth: 1 },
    line: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.m },
    name: { width: 96 },
    value: { flexGrow: 1, flexShrink: 1, flexBasis: 190 },
  }),
);

const stepWords: Record<TestStep, string> = {
  link: 'Small packets go to the office and back …',
  ways: 'Ways to this browser are looked for …',
  relay: 'Small packets go through the relay …',
};

/** So many earlier places are offered. */
const mostOffered = 6;

/** What the network does to calls from here, tried now, and at the places where it was tried before. */
export function ConnectionScreen() {
  const styles = useStyles();
  const go = useGo();
  const { server } = useServices();
  const isOnline = useAppSelector(({ office }) => office.isOnline);
  const { tests, step, last, run, name, forget } = useTests();
  const [place, setPlace] = useState('');
  const places = useMemo(() => byPlace(tests ?? []), [tests]);
  const isTesting = step !== null;
  const named = (words: string) => {
    setPlace(words);
    if (last) name(last, words.trim());
  };
  const offered = places.map((each) => each.place).filter((words) => words !== '');
  return (
    <ListScreen
      title="How calls sound from here"
      about={
        server
          ? 'Tried with small packets, as many and as often as a voice has. It takes five seconds or so.'
          : 'The network between this device and the office is played in Outside; that one is tried.'
      }
      entry={
        <Field
          label="Where you are (if you like)"
          value={place}
          onChange={named}
          placeholder="the bend below the dam"
        />
      }
      foot={
        <>
          <Plate
            kind="main"
            word={isTesting ? 'Being tested …' : last ? 'Test again' : 'Test from here'}
            disabled={isTesting}
            onPress={() => void run(place.trim())}
          />
          <Plate word="Office" onPress={go.office} />
        </>
      }
    >
      <View role="status">
        {step === null ? null : (
          <View style={styles.part}>
            <Txt as="strong">{stepWords[step]}</Txt>
          </View>
        )}
        {!isOnline && step === null ? (
          <View style={styles.part}>
            <Txt>
              No network here: a test would find nothing. It can be kept all the same, for this place.
            </Txt>
          </View>
        ) : null}
        {last && step === null ? <Result test={last} /> : null}
      </View>
      {offered.length === 0 ? null : (
        <View style={styles.part}>
          <Choice
            asStrip
            label="A place you have named"
            value={place}
            options={offered.slice(0, mostOffered).map((value) => ({ value, word: value }))}
            onChoose={named}
          />
        </View>
      )}
      {tests?.length === 0 && !last && !isTesting ? (
        <EmptyState
          title="Nothing tested yet"
          sentence="Test where you work: the places where calls are bad then stand first, and you know before you ring."
        />
      ) : null}
      {places.map((each) => (
        <PlaceTests key={each.place.toLocaleLowerCase()} tested={each} onForget={forget} />
      ))}
    </ListScreen>
  );
}

/** What one test found, figure by figure. */
function Result({ test }: { test: ConnectionTest }) {
  const styles = useStyles();
  const network = networkOfTest(test);
  const lines: [name: string, value: string][] = [
    ['The office', test.link ? roundTripWords(test.link) : 'Not reached'],
    ...(test.relayed ? [['Through the relay', oneWayWords(test.relayed)] as [string, string]] : []),
    ...(test.stun === 'unset' && test.turn === 'unset'
      ? [['STUN, TURN', reachedWords('STUN', 'unset')] as [string, string]]
      : ([
          ['STUN', reachedWords('STUN', test.stun)],
          ['TURN', reachedWords('TURN', test.turn)],
        ] as [string, string][])),
    ['Ways here', waysWords(test)],
    ...(network ? [['MOS by codec', codecWords(network)] as [string, string]] : []),
  ];
  return (
    <View style={styles.result}>
      <Txt as="heading" level={2}>
        {verdictOf(test)}
      </Txt>
      {lines.map(([name, value]) => (
        <View key={name} style={styles.line}>
          <Txt as="small" style={styles.name}>
            {name}
          </Txt>
          <Txt as="small" style={styles.value}>
            {value}
          </Txt>
        </View>
      ))}
    </View>
  );
}

interface PlaceTestsProps {
  tested: TestedPlace;
  onForget: (test: ConnectionTest) => void;
}

/** How one place has been, and its last test. */
function PlaceTests({ tested: { place, tests, scores, usual }, onForget }: PlaceTestsProps) {
  const styles = useStyles();
  const now = useNow(60_000);
  const zone = useAppSelector(selectZone);
  const last = tests.at(-1);
  if (!last) return null;
  const title = place === '' ? 'No place named' : place;
  const word = placeWord(usual);
  const count = tests.length === 1 ? 'one test' : `${tests.length} tests`;
  const score = usual === 0 ? '' : `, MOS ${usual.toFixed(1)}`;
  return (
    <View style={styles.part} role="list">
      <ActLine
        label={title}
        title={title}
        detail={`${word}${score} · ${count}, last ${formatMoment(last.at, now, zone)}`}
        before={<PlaceMarks scores={scores} />}
      >
        <Plate
          word="Forget the last"
          label={`Forget the last test: ${title}`}
          onPress={() => onForget(last)}
        />
      </ActLine>
    </View>
  );
}
