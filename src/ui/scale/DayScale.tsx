import { StyleSheet, View } from 'react-native';
import Svg, { Circle, Line, Rect } from 'react-native-svg';

import { Txt } from '../text';
import { themed, useTheme } from '../tokens';

export interface DayMark {
  key: string;
  /** Local hours since midnight, with fractions. */
  hour: number;
  taken: boolean;
}

interface DayScaleProps {
  marks: readonly DayMark[];
  nowHour: number;
}

const useStyles = themed(() =>
  StyleSheet.create({
    words: { height: 16 },
    word: {
      position: 'absolute',
      width: 32,
      marginLeft: -16,
      textAlign: 'center',
      fontSize: 11,
      lineHeight: 15,
    },
  }),
);

const height = 46;
const base = 38;

/** Today to scale: each call a mark (filled when it was taken, open when not), and the needle for now. */
export function DayScale({ marks, nowHour }: DayScaleProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const first = Math.min(7, ...marks.map(({ hour }) => Math.floor(hour)), Math.floor(nowHour));
  const last = Math.max(18, Math.ceil(nowHour + 0.5));
  const at = (hour: number) => `${((hour - first) / (last - first)) * 100}%`;
  const hours = Array.from({ length: last - first + 1 }, (_, index) => first + index);
  const missed = marks.filter(({ taken }) => !taken).length;
  const stacks = stack(marks, (last - first) / 44);

  return (
    <View role="img" aria-label={`Today: ${marks.length} calls, ${missed} not taken`}>
      <Svg width="100%" height={height} aria-hidden>
        <Rect x={0} y={base - 4} width={at(nowHour)} height={4} fill={colours.spruce} />
        <Line x1={0} x2="100%" y1={base} y2={base} stroke={colours.ink} strokeWidth={1.5} />
        {hours.map((hour) => (
          <Line
            key={hour}
            x1={at(hour)}
            x2={at(hour)}
            y1={base}
            y2={hour % 2 === 0 ? base + 6 : base + 3}
            stroke={colours.ink}
            strokeWidth={1}
          />
        ))}
        {stacks.map(({ key, hour, taken, level }) => (
          <Circle
            key={key}
            cx={at(hour)}
            cy={base - 10 - level * 9}
            r={3.2}
            fill={taken ? colours.ink : colours.paper}
            stroke={taken ? colours.ink : colours.rowan}
            strokeWidth={taken ? 0 : 2}
          />
        ))}
        <Line x1={at(nowHour)} x2={at(nowHour)} y1={0} y2={height} stroke={colours.saffron} strokeWidth={3} />
      </Svg>
      <View style={styles.words} aria-hidden>
        {hours
          .filter((hour) => hour % 2 === 0 && hour > first && hour < last)
          .map((hour) => (
            <Txt
              key={hour}
              as="mono"
              colour={colours.faint}
              style={[styles.word, { left: at(hour) as `${number}%` }]}
            >
              {hour}
            </Txt>
          ))}
      </View>
    </View>
  );
}

/** Marks nearer than `least` hours to the one before stand one above the other, up to three. */
function stack(marks: readonly DayMark[], least: number): (DayMark & { level: number })[] {
  const placed: (DayMark & { level: number })[] = [];
  for (const mark of [...marks].sort((a, b) => a.hour - b.hour)) {
    const before = placed.at(-1);
    const level = before && mark.hour - before.hour < least ? (before.level + 1) % 3 : 0;
    placed.push({ ...mark, level });
  }
  return placed;
}
