import { Pressable, StyleSheet, View } from 'react-native';
import Svg, { Defs, Line, Pattern, Rect } from 'react-native-svg';

import { Txt } from '../text';
import { space, target, themed, useTheme, type Colours } from '../tokens';

export interface WeekBlock {
  key: string;
  /** Of the wall clock of the day. */
  fromMinutes: number;
  toMinutes: number;
  /** Which way of the legend. */
  way: number;
  label: string;
  /** The instant it begins. */
  at: number;
}

interface WeekScaleProps {
  days: readonly { key: string; word: string; blocks: readonly WeekBlock[] }[];
  /** What each way is, in words. */
  legend: readonly string[];
  /** The needle on the first day; null in another week. */
  nowMinutes: number | null;
  onSee: (block: WeekBlock) => void;
}

const dayMinutes = 24 * 60;
const hours = [0, 6, 12, 18, 24];
const tileSize = 8;

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    axis: { height: 18, marginLeft: 58 },
    hour: { position: 'absolute', width: 30, marginLeft: -15, textAlign: 'center', fontSize: 11 },
    day: {
      flexDirection: 'row',
      alignItems: 'center',
      height: target,
      borderTopWidth: 1,
      borderColor: colours.rule,
    },
    word: { width: 58 },
    plot: { flex: 1, alignSelf: 'stretch' },
    block: {
      position: 'absolute',
      top: 6,
      bottom: 6,
      borderWidth: 1,
      overflow: 'hidden',
      justifyContent: 'center',
    },
    letter: { paddingHorizontal: 3, alignSelf: 'flex-start', fontWeight: '600' },
    needle: {
      position: 'absolute',
      top: 0,
      bottom: 0,
      width: 3,
      marginLeft: -1,
      backgroundColor: colours.saffron,
    },
    legend: { gap: space.s, paddingTop: space.m },
    way: { flexDirection: 'row', gap: space.m, alignItems: 'center' },
    swatch: { width: 34, height: 26, borderWidth: 1, overflow: 'hidden', justifyContent: 'center' },
    words: { flex: 1, minWidth: 0 },
  }),
);

const letterOf = (way: number) => String.fromCharCode(65 + (way % 26));

/** Seven days of twenty-four hours; each way that calls go has its colour, its hatching and its letter. */
export function WeekScale({ days, legend, nowMinutes, onSee }: WeekScaleProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const at = (minutes: number) => `${(minutes / dayMinutes) * 100}%` as const;
  return (
    <View>
      <View style={styles.axis} aria-hidden>
        {hours.map((hour) => (
          <Txt
            key={hour}
            as="mono"
            colour={colours.faint}
            style={[
              styles.hour,
              { left: at(hour * 60) },
              hour === 24 && { marginLeft: -26 },
              hour === 0 && { marginLeft: 0, textAlign: 'left' },
            ]}
          >
            {hour}
          </Txt>
        ))}
      </View>
      {days.map(({ key, word, blocks }, index) => (
        <View key={key} style={styles.day}>
          <Txt as="mono" style={styles.word}>
            {word}
          </Txt>
          <View style={styles.plot}>
            {blocks.map((block) => (
              <Pressable
                key={block.key}
                role="button"
                aria-label={block.label}
                onPress={() => onSee(block)}
                style={[
                  styles.block,
                  {
                    left: at(block.fromMinutes),
                    width: at(block.toMinutes - block.fromMinutes),
                    borderColor: colours.ink,
                    backgroundColor: colours.sheet,
                  },
                ]}
              >
                <Hatching way={block.way} id={`week-${block.key}`} colours={colours} />
                <Txt as="mono" style={[styles.letter, { backgroundColor: colours.sheet }]}>
                  {letterOf(block.way)}
                </Txt>
              </Pressable>
            ))}
            {index === 0 && nowMinutes !== null ? (
              <View style={[styles.needle, { left: at(nowMinutes), pointerEvents: 'none' }]} />
            ) : null}
          </View>
        </View>
      ))}
      <View style={styles.legend} role="list" aria-label="What the letters mean">
        {legend.map((words, way) => (
          <View key={words} style={styles.way} role="listitem">
            <View style={[styles.swatch, { borderColor: colours.ink, backgroundColor: colours.sheet }]}>
              <Hatching way={way} id={`legend-${way}`} colours={colours} />
              <Txt as="mono" style={[styles.letter, { backgroundColor: colours.sheet }]}>
                {letterOf(way)}
              </Txt>
            </View>
            <Txt style={styles.words}>{words}</Txt>
          </View>
        ))}
      </View>
    </View>
  );
}

/** Lines of another slope and density for each way, so that no two are told apart by colour alone. */
function Hatching({ way, id, colours }: { way: number; id: string; colours: Colours }) {
  const colour = colours.cords[way % colours.cords.length] ?? colours.ink;
  const slopes = [
    [0, tileSize / 2, tileSize, tileSize / 2],
    [0, 0, tileSize, tileSize],
    [tileSize / 2, 0, tileSize / 2, tileSize],
    [0, tileSize, tileSize, 0],
  ] as const;
  const [x1, y1, x2, y2] = slopes[way % slopes.length] ?? slopes[0];
  return (
    <Svg style={StyleSheet.absoluteFill} width="100%" height="100%" aria-hidden>
      <Defs>
        <Pattern id={id} width={tileSize} height={tileSize} patternUnits="userSpaceOnUse">
          <Line
            x1={x1}
            y1={y1}
            x2={x2}
            y2={y2}
            stroke={colour}
            strokeWidth={way < slopes.length ? 2.5 : 1.2}
          />
        </Pattern>
      </Defs>
      <Rect width="100%" height="100%" fill={`url(#${id})`} />
    </Svg>
  );
}
