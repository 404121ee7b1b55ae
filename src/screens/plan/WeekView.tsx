import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { weekOf } from '@/core/plans/routing';
import { localClock, localDayKey, shiftLocalDays, startOfLocalDay } from '@/core/shared/time';
import { selectZone, useAppSelector } from '@/state/app';
import { Plate } from '@/ui/plate';
import { WeekScale, type WeekBlock } from '@/ui/planScale';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { QuestionLine } from './QuestionLine';
import { ringsWords } from './planWords';
import { callerOf } from '../shared/askedCallers';
import { myExtension, type useQuestion } from './useQuestion';

const minuteMs = 60_000;
const dayMinutes = 24 * 60;

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    all: { gap: space.m },
    acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
    seen: { borderLeftWidth: 6, borderColor: colours.saffron, paddingLeft: space.m, gap: space.s },
    act: { alignSelf: 'flex-start' },
  }),
);

interface WeekViewProps {
  of: ReturnType<typeof useQuestion>;
  /** Shows the picture of the hour that was tapped. */
  onSee: () => void;
}

/** Where such calls end up at every minute of a week: seven rows of a day's hours, and a word for each way. */
export function WeekView({ of, onSee }: WeekViewProps) {
  const styles = useStyles();
  const zone = useAppSelector(selectZone);
  const { question, setQuestion, office, myId, now } = of;
  const [weeksOn, setWeeksOn] = useState(0);
  const [seen, setSeen] = useState<{ at: number; words: string; when: string } | null>(null);
  const first = shiftLocalDays(startOfLocalDay(now, zone), weeksOn * 7, zone);
  const { days, legend } = useMemo(() => {
    const lineId = question.line === myExtension ? null : question.line;
    const caller = callerOf(question.callerKind, office, myId);
    const { situation } = question;
    const week = weekOf(
      office,
      { ownerId: myId, lineId, caller },
      { from: first, to: shiftLocalDays(first, 7, zone) },
      situation === null ? {} : { calledSituation: situation === 'none' ? null : situation },
    );
    const ways = [...new Set(week.map(({ trace }) => ringsWords(trace, office, myId)))];
    const rows = Array.from({ length: 7 }, (_, day) => {
      const from = shiftLocalDays(first, day, zone);
      const to = shiftLocalDays(first, day + 1, zone);
      const key = localDayKey(from, zone);
      const minutesAt = (at: number) => (at >= to ? dayMinutes : localClock(at, zone).minutes);
      const blocks = week
        .filter((stretch) => stretch.from < to && stretch.to > from)
        .map((stretch): WeekBlock => {
          const begin = Math.max(stretch.from, from);
          const fromMinutes = minutesAt(begin);
          const toMinutes = minutesAt(Math.min(stretch.to, to));
          const way = ways.indexOf(ringsWords(stretch.trace, office, myId));
          return {
            key: String(begin),
            fromMinutes,
            toMinutes,
            way,
            label: `${dayWord(from, zone)} ${clock(fromMinutes)} to ${clock(toMinutes)}: ${ways[way] ?? ''}`,
            at: begin,
          };
        });
      return { key, word: dayWord(from, zone), blocks };
    });
    return { days: rows, legend: ways };
  }, [question, office, myId, first, zone]);
  const isThisWeek = weeksOn === 0;
  return (
    <View style={styles.all} role="region" aria-label="The week">
      <QuestionLine of={of} withoutMoment />
      <View style={styles.acts}>
        <Plate word="Week before" disabled={isThisWeek} onPress={() => setWeeksOn(weeksOn - 1)} />
        <Plate word="Week after" onPress={() => setWeeksOn(weeksOn + 1)} />
      </View>
      <WeekScale
        days={days}
        legend={legend}
        nowMinutes={isThisWeek ? localClock(now, zone).minutes : null}
        onSee={({ at, label, way }) =>
          setSeen({ at, words: legend[way] ?? '', when: label.split(':')[0] ?? '' })
        }
      />
      {seen ? (
        <View style={styles.seen} role="status">
          <Txt>{`At ${seen.when}… ${seen.words}`}</Txt>
          <Plate
            word="See its seconds"
            style={styles.act}
            onPress={() => {
              setQuestion({ ...question, at: Math.max(seen.at, now - (now % minuteMs)) });
              onSee();
            }}
          />
        </View>
      ) : (
        <Txt as="small">Tap an hour to see what it is.</Txt>
      )}
    </View>
  );
}

const clock = (minutes: number) =>
  `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;

const dayWord = (at: number, zone: string) =>
  new Intl.DateTimeFormat('en-GB', { timeZone: zone, weekday: 'short', day: 'numeric' }).format(at);
