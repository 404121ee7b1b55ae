import { StyleSheet, View } from 'react-native';

import { Txt } from '../text';
import { space, themed, useTheme } from '../tokens';
import { ticksOf } from './ticks';

export interface RingTrack {
  key: string;
  label: string;
  fromSeconds: number;
  toSeconds: number;
  /** A word at the bar: "answered", "25 s". */
  word?: string;
  /** `over` has had its time, `on` rings, `toCome` will. */
  state: 'over' | 'on' | 'toCome' | 'taken';
}

interface RingScaleProps {
  tracks: readonly RingTrack[];
  totalSeconds: number;
  /** Where an unanswered call ends, said at the end of the scale. */
  finish?: string;
  /** The needle; left out where nothing is going on. */
  nowSeconds?: number;
  onNight?: boolean;
}

const trackHeight = 30;

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    row: { flexDirection: 'row', alignItems: 'center', minHeight: trackHeight },
    label: { width: 108, paddingRight: space.s },
    plot: { flex: 1, alignSelf: 'stretch', marginRight: space.m },
    tick: { position: 'absolute', top: 0, bottom: 0, width: 1 },
    tickWord: { position: 'absolute', width: 40, marginLeft: -20, textAlign: 'center', fontSize: 11 },
    bar: {
      position: 'absolute',
      top: 5,
      bottom: 5,
      borderWidth: 1,
      justifyContent: 'center',
      paddingHorizontal: 4,
      overflow: 'hidden',
    },
    needle: {
      position: 'absolute',
      top: -2,
      bottom: -2,
      width: 3,
      marginLeft: -1,
      backgroundColor: colours.saffron,
    },
    head: { height: 20 },
    unit: { fontSize: 11 },
  }),
);

/** Seconds of ringing drawn to scale: a track for each device, the finish, and the needle for now. */
export function RingScale({ tracks, totalSeconds, finish, nowSeconds, onNight = false }: RingScaleProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const span = Math.max(totalSeconds, 1);
  const ticks = ticksOf(span);
  const at = (seconds: number) => `${(Math.min(Math.max(seconds, 0), span) / span) * 100}%` as const;
  const ink = onNight ? colours.onNight : colours.ink;
  const faint = onNight ? colours.faintOnNight : colours.faint;
  const rule = onNight ? colours.nightEdge : colours.rule;
  const lit = onNight ? colours.cordsOnNight[0] : colours.spruce;
  const barColours = {
    over: { backgroundColor: 'transparent', borderColor: faint },
    on: { backgroundColor: lit, borderColor: lit },
    taken: { backgroundColor: lit, borderColor: lit },
    toCome: { backgroundColor: 'transparent', borderColor: lit, borderStyle: 'dashed' as const },
  };

  return (
    <View role="img" aria-label={describe(tracks, finish)}>
      <View style={styles.row} aria-hidden>
        <View style={styles.label}>
          <Txt as="mono" colour={faint} style={styles.unit}>
            seconds
          </Txt>
        </View>
        <View style={[styles.plot, styles.head]}>
          {ticks.map((second) => (
            <Txt key={second} as="mono" colour={faint} style={[styles.tickWord, { left: at(second) }]}>
              {second}
            </Txt>
          ))}
        </View>
      </View>
      {tracks.map((track) => (
        <View key={track.key} style={styles.row} aria-hidden>
          <View style={styles.label}>
            <Txt as="small" colour={track.state === 'on' || track.state === 'taken' ? ink : faint}>
              {track.label}
            </Txt>
          </View>
          <View style={styles.plot}>
            {ticks.map((second) => (
              <View key={second} style={[styles.tick, { left: at(second), backgroundColor: rule }]} />
            ))}
            <View
              style={[
                styles.bar,
                {
                  left: at(track.fromSeconds),
                  right: `${100 - parseFloat(at(Math.max(track.toSeconds, track.fromSeconds + span / 60)))}%`,
                },
                barColours[track.state],
              ]}
            />
            {nowSeconds === undefined ? null : <View style={[styles.needle, { left: at(nowSeconds) }]} />}
          </View>
        </View>
      ))}
      {finish === undefined ? null : (
        <View style={styles.row} aria-hidden>
          <View style={styles.label}>
            <Txt as="small" colour={faint}>
              At the end
            </Txt>
          </View>
          <Txt as="small" colour={ink}>
            {finish}
          </Txt>
        </View>
      )}
    </View>
  );
}

function describe(tracks: readonly RingTrack[], finish: string | undefined): string {
  const parts = tracks.map(({ label, fromSeconds, toSeconds, word }) => {
    const seconds = `second ${Math.round(fromSeconds)} to ${Math.round(toSeconds)}`;
    return `${label}: ${seconds}${word ? `, ${word}` : ''}`;
  });
  return [...parts, ...(finish === undefined ? [] : [`then ${finish}`])].join('; ');
}
