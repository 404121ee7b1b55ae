import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { HistoryFilter } from '@/core/calls/historyTable';
import { readPastDay } from '@/core/shared/parseTime';
import { formatDay, shiftLocalDays } from '@/core/shared/time';
import { Choice, Field } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

const anyDay = 'any day';
const typedDays = 'from day to day';

interface DaysPartProps {
  filter: HistoryFilter;
  now: number;
  zone: string;
  presets: readonly { word: string; from: number }[];
  onChange: (part: Pick<HistoryFilter, 'from' | 'to'>) => void;
}

/** From which day to which: a few that are asked for often, or as they are typed. */
export function DaysPart({ filter, now, zone, presets, onChange }: DaysPartProps) {
  const { from, to } = filter;
  const preset = presets.find((each) => each.from === from && to === undefined);
  const isTyped = !preset && (from !== undefined || to !== undefined);
  const [isTyping, setTyping] = useState(isTyped);
  const [first, setFirst] = useState('');
  const [last, setLast] = useState('');
  const [errors, setErrors] = useState<{ first?: string; last?: string }>({});
  const take = () => {
    const begin = first.trim() === '' ? null : readPastDay(first, now, zone);
    const end = last.trim() === '' ? null : readPastDay(last, now, zone);
    const wrong: typeof errors = {};
    if (begin && !begin.ok) wrong.first = begin.sentence;
    if (end && !end.ok) wrong.last = end.sentence;
    if (begin?.ok && end?.ok && end.at < begin.at) wrong.last = 'That is before the first day.';
    setErrors(wrong);
    if (wrong.first || wrong.last) return;
    onChange({
      from: begin?.ok ? begin.at : undefined,
      // The last day is meant with all its hours.
      to: end?.ok ? shiftLocalDays(end.at, 1, zone) : undefined,
    });
  };
  return (
    <View style={styles.stack}>
      <Choice
        asStrip
        label="On"
        value={isTyping || isTyped ? typedDays : (preset?.word ?? anyDay)}
        options={[anyDay, ...presets.map(({ word }) => word), typedDays].map((word) => ({
          value: word,
          word,
        }))}
        onChoose={(word) => {
          setTyping(word === typedDays);
          if (word !== typedDays)
            onChange({ from: presets.find((each) => each.word === word)?.from, to: undefined });
        }}
      />
      {isTyping || isTyped ? (
        <>
          {isTyped ? <Txt as="small">{daysWords(from, to, now, zone)}</Txt> : null}
          <Field
            label="First day"
            placeholder="24 Nov"
            value={first}
            onChange={setFirst}
            error={errors.first}
          />
          <Field
            label="Last day"
            placeholder="today"
            value={last}
            onChange={setLast}
            onSubmit={take}
            error={errors.last}
          />
          <Plate word="Only these days" onPress={take} />
        </>
      ) : null}
    </View>
  );
}

function daysWords(from: number | undefined, to: number | undefined, now: number, zone: string): string {
  const begin = from === undefined ? '' : `from ${formatDay(from, now, zone)} `;
  const end = to === undefined ? '' : `to ${formatDay(shiftLocalDays(to, -1, zone), now, zone)}`;
  return `Now ${begin}${end}`.trim();
}

const styles = StyleSheet.create({ stack: { gap: space.s } });
