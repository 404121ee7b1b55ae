import { ScrollView, StyleSheet, View } from 'react-native';

import type { CallRecord } from '@/core/calls/exchange';
import { answeredOutside, describeOutcome, describeRoute, talkMs } from '@/core/calls/history';
import { whoOf } from '@/core/inbox/looseEnds';
import { deviceName, targetName, type OfficeIndex } from '@/core/setup';
import { formatMoney } from '@/core/numbers/rates';
import { formatClockWithSeconds, formatDay, formatDuration } from '@/core/shared/time';
import {
  formatAny,
  identifyNumber,
  selectOffice,
  selectPeople,
  selectZone,
  useAppSelector,
  useNow,
} from '@/state/app';
import { CordEdge } from '@/ui/cord';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { RingScale, type RingTrack } from '@/ui/scale';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { shortTargetName } from '../shared/targetWords';
import { useGo } from '../shared/useGo';
import { useLayout } from '../shared/useLayout';
import { usePlaceCall } from '../shared/usePlaceCall';
import { KeptWithCall } from './KeptWithCall';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1, backgroundColor: colours.sheet },
    body: { padding: space.l, gap: space.l },
    fact: {
      flexDirection: 'row',
      gap: space.m,
      paddingVertical: space.s,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    factName: { width: 108 },
    factWord: { flex: 1 },
    why: { gap: space.s },
    acts: {
      flexDirection: 'row',
      flexWrap: 'wrap',
      gap: space.m,
      padding: space.l,
      borderTopWidth: 1,
      borderColor: colours.ink,
    },
    grow: { flexGrow: 1 },
    // Whoever is called has a row of their own where the name would be broken.
    wholeRow: { flexGrow: 1, flexBasis: '100%' },
  }),
);

/** One call of the history: its facts, its seconds drawn, and why it went as it did. */
export function RecordDetail({ id }: { id: string | undefined }) {
  const record = useAppSelector((state) => state.history.records.find((candidate) => candidate.id === id));
  const isComplete = useAppSelector((state) => state.history.isComplete);
  const go = useGo();
  if (id === undefined) {
    return (
      <EmptyState
        title="Choose a call"
        sentence="Its facts, its seconds and why it went as it did will appear here."
      />
    );
  }
  if (record) return <Detail record={record} />;
  if (!isComplete)
    return <EmptyState title="Reading the history" sentence="That call may be on an older day." />;
  return (
    <EmptyState
      title="This call is not here"
      sentence="It may have been on another device, or its entry was damaged and set aside."
    >
      <Plate kind="main" word="Everything" onPress={go.everything} />
    </EmptyState>
  );
}

function Detail({ record }: { record: CallRecord }) {
  const styles = useStyles();
  const office = useAppSelector(selectOffice);
  const people = useAppSelector(selectPeople);
  const zone = useAppSelector(selectZone);
  const now = useNow(60_000);
  const go = useGo();
  const { isWide, isNarrow } = useLayout();
  const placeCall = usePlaceCall();
  const line = office.ever.lines.get(record.lineId ?? '');
  const { name, detail } = identifyNumber(record.other.number, record.other.name, people);
  const { number } = record.other;
  const tracks = tracksOf(record, office);
  return (
    <View style={styles.screen}>
      <CordEdge cord={line?.cord ?? null} run="across" width={10} />
      <ScrollView contentContainerStyle={styles.body} tabIndex={0}>
        <View>
          <Txt as="title" level={1}>
            {name}
          </Txt>
          <Txt as="small">{detail}</Txt>
        </View>
        <View>
          {factsOf(record, office, now, zone).map(([factName, word]) => (
            <View key={factName} style={styles.fact}>
              <Txt as="small" style={styles.factName}>
                {factName}
              </Txt>
              <Txt style={styles.factWord}>{word}</Txt>
            </View>
          ))}
        </View>
        <KeptWithCall record={record} />
        {tracks.length > 0 ? (
          <View style={styles.why}>
            <Txt as="heading" level={2}>
              Seconds
            </Txt>
            <RingScale tracks={tracks} totalSeconds={Math.max(...tracks.map(({ toSeconds }) => toSeconds))} />
          </View>
        ) : null}
        <View style={styles.why}>
          <Txt as="heading" level={2}>
            Why
          </Txt>
          {describeRoute(record, office).map((sentence) => (
            <Txt key={sentence}>{sentence}</Txt>
          ))}
        </View>
      </ScrollView>
      <View style={styles.acts}>
        {isWide ? null : <Plate word="Back" onPress={go.everything} style={styles.grow} />}
        <Plate
          word="All with them"
          onPress={() => go.person(whoOf(record.other, record.callId, office, people).key)}
          style={styles.grow}
        />
        {number === null ? (
          <Txt as="small" style={styles.wholeRow}>
            This caller withheld their number, so they can’t be called back.
          </Txt>
        ) : (
          <Plate
            kind="main"
            word={`Call ${name}`}
            onPress={() => void placeCall(number)}
            style={isNarrow ? styles.wholeRow : styles.grow}
          />
        )}
      </View>
    </View>
  );
}

function factsOf(
  record: CallRecord,
  office: OfficeIndex,
  now: number,
  zone: string,
): [name: string, word: string][] {
  const line = office.ever.lines.get(record.lineId ?? '');
  const facts: [string, string | null][] = [
    ['What', describeOutcome(record, office)],
    ['When', `${formatDay(record.startedAt, now, zone)}, ${formatClockWithSeconds(record.startedAt, zone)}`],
    ['Talked', record.answeredAt === null ? null : formatDuration(talkMs(record))],
    ['Rang', record.direction === 'in' ? formatDuration(rangMs(record)) : null],
    ['Message', record.messageMs > 0 ? formatDuration(record.messageMs) : null],
    ['Number', record.other.number === null ? 'withheld' : formatAny(record.other.number, office.plan)],
    [
      record.direction === 'in' ? 'Called line' : 'Shown',
      record.withheld
        ? 'no number, withheld'
        : ((line && `${line.name}, ${formatAny(line.number, office.plan)}`) ?? 'inside the office'),
    ],
    ['Way', wayOf(record, office)],
    ['Keys sent', record.digitsSent || null],
    ['Together with', withWords(record, office)],
    ['Cost', record.costMicros > 0 ? formatMoney(record.costMicros, office.setup.rates.currency) : null],
  ];
  return facts.filter((fact): fact is [string, string] => fact[1] !== null);
}

/** Who else took part, besides the worker and whom the record is about. */
function withWords({ parties, personId, other }: CallRecord, { plan }: OfficeIndex): string | null {
  const names = parties
    .filter((party) => party.personId !== personId && party.number !== other.number)
    .map(({ name, number }) => name ?? (number === null ? 'a withheld number' : formatAny(number, plan)));
  return names.length > 0 ? [...new Set(names)].join(', ') : null;
}

function rangMs({ path }: CallRecord): number {
  return Math.max(0, ...path.map(({ toSeconds }) => toSeconds)) * 1000;
}

function wayOf(record: CallRecord, office: OfficeIndex): string | null {
  const { deviceId } = record;
  if (deviceId === null) {
    const outside = answeredOutside(record);
    return outside && targetName(outside, office);
  }
  return office.devices.get(deviceId)?.kind === 'app'
    ? 'data call on this app'
    : deviceName(deviceId, office);
}

const endings = {
  answered: 'answered',
  elsewhere: 'answered elsewhere',
  rangOut: 'rang out',
  refused: 'refused',
  callerLeft: 'caller left',
  failed: 'gone',
} as const;

function tracksOf(record: CallRecord, office: OfficeIndex): RingTrack[] {
  return record.path.map((leg, index) => {
    return {
      key: `${index} ${leg.deviceId ?? leg.number}`,
      label: shortTargetName(leg, office, record.personId),
      fromSeconds: leg.fromSeconds,
      toSeconds: leg.toSeconds,
      word: endings[leg.ended],
      state: leg.ended === 'answered' ? 'taken' : 'over',
    };
  });
}
