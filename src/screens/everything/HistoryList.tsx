import { memo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';

import type { CallRecord } from '@/core/calls/exchange';
import { describeOutcome, isUntaken, talkMs, type HistoryRow } from '@/core/calls/history';
import type { OfficeIndex } from '@/core/setup';
import type { PeopleIndex } from '@/core/people/contacts';
import { isRecorded } from '@/core/calls/recordings';
import { formatClock, formatDay, formatDuration } from '@/core/shared/time';
import { identifyNumber, selectOffice, selectPeople, selectZone, useAppSelector, useNow } from '@/state/app';
import { selectFilteredRows, selectIsFiltered } from '@/state/inbox';
import { CordEdge } from '@/ui/cord';
import { VirtualList } from '@/ui/virtualList';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { useGo } from '../shared/useGo';
import { usePlaceCall } from '../shared/usePlaceCall';

const useStyles = themed(({ colours, size }) =>
  StyleSheet.create({
    day: {
      flexDirection: 'row',
      justifyContent: 'space-between',
      paddingHorizontal: space.l,
      paddingTop: space.l,
      paddingBottom: space.xs,
      borderBottomWidth: 1,
      borderColor: colours.ink,
    },
    row: {
      flexDirection: 'row',
      minHeight: 68,
      backgroundColor: colours.sheet,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    selected: { backgroundColor: colours.paper },
    press: {
      flex: 1,
      minWidth: 0,
      flexDirection: 'row',
      gap: space.m,
      paddingLeft: space.m,
      paddingVertical: space.m,
    },
    time: { width: size(50), paddingTop: 2 },
    words: { flex: 1, minWidth: 0 },
    call: { justifyContent: 'center', paddingHorizontal: space.s },
  }),
);

/** Every call under its day, newest first, however many there are. */
export function HistoryList({ selectedId }: { selectedId?: string }) {
  const rows = useAppSelector(selectFilteredRows);
  const isFiltered = useAppSelector(selectIsFiltered);
  const isComplete = useAppSelector((state) => state.history.isComplete);
  const office = useAppSelector(selectOffice);
  const people = useAppSelector(selectPeople);
  const zone = useAppSelector(selectZone);
  const today = useNow(60_000);
  const go = useGo();
  const placeCall = usePlaceCall();
  const { size } = useTheme();
  // Exact, so that no measured row moves the hundred thousand behind it.
  const dayHeight = size(23) + 21;
  const rowHeight = Math.max(68, size(22) + size(19) + 25);
  if (rows.length === 0 && isFiltered && isComplete)
    return (
      <EmptyState
        title="No such calls"
        sentence="No call on this device fits these filters. Take one off to see more."
      />
    );
  if (rows.length === 0) {
    return isComplete ? (
      <EmptyState title="No calls yet" sentence="Every call in and out will appear here, under its day.">
        <Plate kind="main" word="Dial" onPress={go.dial} />
      </EmptyState>
    ) : (
      <EmptyState title="Reading the history" sentence="The newest days come first." />
    );
  }
  return (
    <VirtualList
      label="History"
      items={rows}
      keyOf={keyOf}
      isPressable={(row) => row.kind === 'record'}
      heightOf={(row) => (row.kind === 'day' ? dayHeight : rowHeight)}
      render={(row, isReachable) =>
        row.kind === 'day' ? (
          <DayHead day={row.day} count={row.count} now={today} zone={zone} />
        ) : (
          <RecordRow
            record={row.record}
            office={office}
            people={people}
            zone={zone}
            isSelected={row.record.id === selectedId}
            isReachable={isReachable}
            onOpen={go.record}
            onCall={placeCall}
          />
        )
      }
    />
  );
}

const keyOf = (row: HistoryRow) => (row.kind === 'day' ? String(row.day) : row.record.id);

function DayHead({ day, count, now, zone }: { day: number; count: number; now: number; zone: string }) {
  const styles = useStyles();
  const { colours } = useTheme();
  return (
    <View style={styles.day}>
      <Txt as="heading" level={2}>
        {formatDay(day, now, zone)}
      </Txt>
      <Txt as="mono" colour={colours.faint}>
        {count} {count === 1 ? 'call' : 'calls'}
      </Txt>
    </View>
  );
}

interface RecordRowProps {
  record: CallRecord;
  office: OfficeIndex;
  people: PeopleIndex;
  zone: string;
  isSelected: boolean;
  /** Whether Tab stops here; the others are reached with the arrow keys. */
  isReachable: boolean;
  onOpen: (id: string) => void;
  onCall: (number: string) => Promise<void>;
}

const RecordRow = memo(function RecordRow({
  record,
  office,
  people,
  zone,
  isSelected,
  isReachable,
  onOpen,
  onCall,
}: RecordRowProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const { name } = identifyNumber(record.other.number, record.other.name, people);
  const line = office.ever.lines.get(record.lineId ?? '');
  const outcome = describeOutcome(record, office);
  const talked = talkMs(record);
  const deleted = useAppSelector((state) => state.inbox.kept.deletedRecordings);
  const { number } = record.other;
  const facts = [
    line?.name ?? 'inside',
    ...(talked > 0 ? [formatDuration(talked)] : []),
    ...(isRecorded(record, deleted) ? ['recorded'] : []),
    ...(record.messageMs > 0 ? [`message ${formatDuration(record.messageMs)}`] : []),
  ];
  return (
    <View style={[styles.row, isSelected && styles.selected]}>
      <CordEdge cord={line?.cord ?? null} />
      <Pressable
        role="button"
        tabIndex={isReachable ? 0 : -1}
        onPress={() => onOpen(record.id)}
        style={({ pressed }) => [styles.press, pressed && styles.selected]}
      >
        <View style={styles.time}>
          <Txt as="mono" colour={colours.faint}>
            {formatClock(record.startedAt, zone)}
          </Txt>
        </View>
        <View style={styles.words}>
          <Txt as="strong" lines={1}>
            {name}
          </Txt>
          <Txt as="small" lines={2}>
            <Txt
              as="small"
              colour={isUntaken(record) ? colours.rowan : colours.ink}
              style={isUntaken(record) && strong}
            >
              {outcome}
            </Txt>
            {` · ${facts.join(' · ')}`}
          </Txt>
        </View>
      </Pressable>
      <View style={styles.call}>
        {number === null ? null : (
          <Plate
            word="Call"
            label={`Call ${name}`}
            tabStop={isReachable}
            onPress={() => void onCall(number)}
          />
        )}
      </View>
    </View>
  );
});

const strong = { fontWeight: '600' } as const;
