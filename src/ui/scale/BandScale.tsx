import { useEffect, useRef, type ReactNode } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';

import { Txt } from '../text';
import { space, themed, useTheme } from '../tokens';
import { ticksOf } from './ticks';

/** A place on the scale that can be chosen: what rings there, and what will be true. */
export interface Band {
  key: string;
  /** The act: "Talk first". */
  word: string;
  /** What will be true afterwards. */
  sentence: string;
  /** Stretches in seconds; one without an end goes on. */
  bars: readonly { label: string; fromSeconds: number; toSeconds: number | null }[];
  /** Left out where it can't be chosen. */
  onPress?: () => void;
}

interface BandScaleProps {
  bands: readonly Band[];
  totalSeconds: number;
}

const labelWidth = 112;

const useStyles = themed(({ colours, size }) =>
  StyleSheet.create({
    scale: { borderWidth: 1, borderColor: colours.ink, backgroundColor: colours.sheet },
    head: { flexDirection: 'row', height: size(24), alignItems: 'center' },
    unit: { width: labelWidth, paddingLeft: space.m, fontSize: size(11) },
    plot: { flex: 1, alignSelf: 'stretch', marginRight: space.l },
    tickWord: { position: 'absolute', width: 40, marginLeft: -20, textAlign: 'center', fontSize: size(11) },
    band: {
      borderTopWidth: 1,
      borderColor: colours.ink,
      paddingVertical: space.s,
      gap: space.xs,
      minHeight: 72,
    },
    pressed: { backgroundColor: colours.paper },
    row: { flexDirection: 'row', alignItems: 'center', minHeight: size(22) },
    label: { width: labelWidth, paddingHorizontal: space.m },
    tick: { position: 'absolute', top: 0, bottom: 0, width: 1, backgroundColor: colours.rule },
    bar: { position: 'absolute', top: 4, bottom: 4, backgroundColor: colours.spruce },
    open: { borderRightWidth: 5, borderRightColor: colours.saffron },
    off: {
      backgroundColor: 'transparent',
      borderWidth: 1,
      borderStyle: 'dashed',
      borderColor: colours.edge,
    },
    words: { paddingHorizontal: space.m },
    act: { textDecorationLine: 'underline', textDecorationColor: colours.saffron },
  }),
);

/** Seconds of ringing with the places on them that a call can be sent to, each a band that is tapped. */
export function BandScale({ bands, totalSeconds }: BandScaleProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const span = Math.max(totalSeconds, 5);
  const ticks = ticksOf(span);
  const at = (seconds: number) => `${(Math.min(Math.max(seconds, 0), span) / span) * 100}%` as const;
  return (
    <View role="group" aria-label="Where to" style={styles.scale}>
      <View style={styles.head} aria-hidden>
        <Txt as="mono" colour={colours.faint} style={styles.unit}>
          seconds
        </Txt>
        <View style={styles.plot}>
          {ticks.map((second) => (
            <Txt
              key={second}
              as="mono"
              colour={colours.faint}
              style={[styles.tickWord, { left: at(second) }]}
            >
              {second}
            </Txt>
          ))}
        </View>
      </View>
      {bands.map(({ key, word, sentence, bars, onPress }, index) => (
        <BandButton key={key} onPress={onPress} isFirst={index === 0}>
          {bars.map((bar) => (
            <View key={bar.label} style={styles.row} aria-hidden>
              <Txt as="small" lines={2} style={styles.label}>
                {bar.label}
              </Txt>
              <View style={styles.plot}>
                {ticks.map((second) => (
                  <View key={second} style={[styles.tick, { left: at(second) }]} />
                ))}
                <View
                  style={[
                    styles.bar,
                    { left: at(bar.fromSeconds), right: `${100 - parseFloat(at(bar.toSeconds ?? span))}%` },
                    bar.toSeconds === null && styles.open,
                    !onPress && styles.off,
                  ]}
                />
              </View>
            </View>
          ))}
          <View style={styles.words}>
            <Txt as="strong" style={onPress && styles.act} colour={onPress ? colours.ink : colours.faint}>
              {word}
            </Txt>
            <Txt as="small">{sentence}</Txt>
          </View>
        </BandButton>
      ))}
    </View>
  );
}

interface BandButtonProps {
  onPress: (() => void) | undefined;
  /** It has the focus at once, so that a key chooses what is chosen most. */
  isFirst: boolean;
  children: ReactNode;
}

function BandButton({ onPress, isFirst, children }: BandButtonProps) {
  const styles = useStyles();
  const ref = useRef<View>(null);
  useEffect(() => {
    if (isFirst) ref.current?.focus();
  }, [isFirst]);
  return (
    <Pressable
      ref={ref}
      role="button"
      disabled={!onPress}
      aria-disabled={!onPress}
      onPress={onPress}
      style={({ pressed }) => [styles.band, pressed && styles.pressed]}
    >
      {children}
    </Pressable>
  );
}
