import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { CallRecord } from '@/core/calls/exchange';
import {
  historyCsv,
  historyDirections,
  historyMarks,
  isFiltering,
  type HistoryFilter,
  type HistoryDirection,
  type HistoryMark,
  type OutcomeGroup,
} from '@/core/calls/historyTable';
import { shiftLocalDays, startOfLocalDay } from '@/core/shared/time';
import {
  identifyNumber,
  selectContacts,
  selectOffice,
  selectPeople,
  selectZone,
  soughtChanged,
  useAppDispatch,
  useAppSelector,
  useAppStore,
  useServices,
} from '@/state/app';
import { selectFilteredRecords } from '@/state/inbox';
import { Choice, Ticks } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { saveFile } from '../shared/files';
import { WhoField } from '../shared/WhoField';
import { DaysPart } from './DaysPart';

const directionWords: Record<HistoryDirection, string> = { in: 'came in', out: 'went out' };

const markWords: Record<HistoryMark, string> = {
  untaken: 'nobody took',
  forwarded: 'were sent on',
  voicemail: 'have a voicemail',
  recorded: 'were recorded',
  costs: 'cost something',
};

const outcomeWords: Record<OutcomeGroup, string> = {
  answered: 'answered',
  missed: 'missed',
  refused: 'refused',
  byColleague: 'taken by a colleague',
  keptAway: 'kept away',
  mailbox: 'ended in a mailbox',
  notReached: 'reached nobody',
};

const minuteMs = 60_000;
const lengths = {
  any: { word: 'any', part: {} },
  short: { word: 'under a minute', part: { leastTalkMs: 1, mostTalkMs: minuteMs - 1 } },
  middle: { word: '1 to 10 min', part: { leastTalkMs: minuteMs, mostTalkMs: 10 * minuteMs } },
  long: { word: 'over 10 min', part: { leastTalkMs: 10 * minuteMs + 1 } },
} as const;
type Length = keyof typeof lengths;

const lengthOf = ({ leastTalkMs, mostTalkMs }: HistoryFilter): Length =>
  (Object.keys(lengths) as Length[]).find((key) => {
    const part: HistoryFilter = lengths[key].part;
    return part.leastTalkMs === leastTalkMs && part.mostTalkMs === mostTalkMs;
  }) ?? 'any';

/** Which calls of the history are wanted, and those taken elsewhere. */
export function FilterSheet({ onClose }: { onClose: () => void }) {
  const dispatch = useAppDispatch();
  const store = useAppStore();
  const { clock } = useServices();
  const zone = useAppSelector(selectZone);
  const office = useAppSelector(selectOffice);
  const isComplete = useAppSelector((state) => state.history.isComplete);
  const filter = useAppSelector((state) => state.inbox.sought.filter);
  const [now] = useState(() => clock.now());
  const change = (part: HistoryFilter) => dispatch(soughtChanged({ filter: { ...filter, ...part } }));
  const people = useAppSelector(selectPeople);
  const nameIn = ({ other }: CallRecord) =>
    (other.personId === null ? null : office.ever.people.get(other.personId)?.name) ??
    identifyNumber(other.number, other.name, people).name;
  const write = (as: 'csv' | 'json') => {
    const records = selectFilteredRecords(store.getState());
    if (as === 'csv') saveFile('history.csv', 'text/csv', historyCsv(records, office, nameIn));
    else saveFile('history.json', 'application/json', JSON.stringify(records, null, 1));
  };
  return (
    <Sheet title="Which calls" onClose={onClose}>
      <View style={styles.stack}>
        <Ticks
          label="Calls that"
          options={historyDirections.map((value) => ({ value, word: directionWords[value] }))}
          chosen={filter.directions ?? []}
          onChange={(chosen) => change({ directions: chosen as HistoryDirection[] })}
        />
        <Ticks
          label="Only those that"
          options={historyMarks.map((value) => ({ value, word: markWords[value] }))}
          chosen={filter.marks ?? []}
          onChange={(chosen) => change({ marks: chosen as HistoryMark[] })}
        />
        <Ticks
          label="What became of them"
          options={(Object.keys(outcomeWords) as OutcomeGroup[]).map((value) => ({
            value,
            word: outcomeWords[value],
          }))}
          chosen={filter.outcomes ?? []}
          onChange={(chosen) => change({ outcomes: chosen as OutcomeGroup[] })}
        />
        <PersonPart />
        <DaysPart
          filter={filter}
          now={now}
          zone={zone}
          presets={[
            { word: 'today', from: startOfLocalDay(now, zone) },
            { word: 'the last 7 days', from: shiftLocalDays(now, -6, zone) },
            { word: 'the last 30 days', from: shiftLocalDays(now, -29, zone) },
          ]}
          onChange={change}
        />
        <Choice
          asStrip
          label="Talked for"
          value={lengthOf(filter)}
          options={(Object.keys(lengths) as Length[]).map((value) => ({ value, word: lengths[value].word }))}
          onChoose={(length) =>
            change({ leastTalkMs: undefined, mostTalkMs: undefined, ...lengths[length].part })
          }
        />
        <Ticks
          label="Lines (none: any)"
          options={office.setup.lines.map(({ id, name }) => ({ value: id, word: name }))}
          chosen={filter.lineIds ?? []}
          onChange={(chosen) => change({ lineIds: chosen })}
        />
        <Ticks
          label="Teams (none: any)"
          options={office.setup.teams.map(({ id, name }) => ({ value: id, word: name }))}
          chosen={filter.teamIds ?? []}
          onChange={(chosen) => change({ teamIds: chosen })}
        />
        <Plate
          word="All calls again"
          disabled={!isFiltering(filter)}
          onPress={() => dispatch(soughtChanged({ filter: {}, who: null }))}
        />
        <Txt as="small">{isComplete ? 'Save what is shown:' : 'The older days are still being read.'}</Txt>
        <Plate word="Save as CSV" disabled={!isComplete} onPress={() => write('csv')} />
        <Plate word="Save as JSON" disabled={!isComplete} onPress={() => write('json')} />
      </View>
    </Sheet>
  );
}

/** Whose calls: found as one types. */
function PersonPart() {
  const dispatch = useAppDispatch();
  const contacts = useAppSelector(selectContacts);
  const { filter, who } = useAppSelector((state) => state.inbox.sought);
  const [typed, setTyped] = useState('');
  const choose = (name: string | null, numbers: string[], personIds: string[]) => {
    dispatch(soughtChanged({ filter: { ...filter, numbers, personIds }, who: name }));
    setTyped('');
  };
  if (who !== null)
    return (
      <View style={styles.who}>
        <Txt style={styles.words}>{`Only with ${who}`}</Txt>
        <Plate word="With anybody" onPress={() => choose(null, [], [])} />
      </View>
    );
  const numbersOf = (key: string) =>
    (contacts.find(({ id }) => `contact:${id}` === key)?.numbers ?? []).map(({ number }) => number);
  return (
    <WhoField
      label="With whom (empty: anybody)"
      value={typed}
      onChange={setTyped}
      onePerPerson
      canBe={({ kind }) => kind !== 'team'}
      onPick={({ key, name, number, personId }) => {
        const numbers = numbersOf(key);
        if (personId !== null) choose(name, [], [personId]);
        else choose(name, numbers.length > 0 ? numbers : [number], []);
      }}
    />
  );
}

const styles = StyleSheet.create({
  stack: { gap: space.m },
  who: { flexDirection: 'row', alignItems: 'center', gap: space.m },
  words: { flex: 1 },
});
