import { Fragment, useState, type ReactNode } from 'react';
import { StyleSheet, View, type LayoutChangeEvent } from 'react-native';

import { Txt } from '../text';
import { space, themed, useTheme } from '../tokens';
import { PullBar, type PullTrack } from './PullBar';
import { ticksOf } from '../scale';

export interface PullStage {
  key: string;
  /** What stands above its tracks. */
  head: ReactNode;
  tracks: readonly PullTrack[];
  /** What stands below them. */
  foot?: ReactNode;
}

interface PullScaleProps {
  stages: readonly PullStage[];
  /** Where unanswered calls end. */
  finishSeconds: number;
  /** The needle; left out where nothing is played. */
  nowSeconds?: number;
  selectedKey: string | null;
  onSelect: (key: string | null) => void;
  /** While it is pulled, and once more with `isDone` when it is let go. Seconds on this scale. */
  onPull: (key: string, fromSeconds: number, toSeconds: number, isDone: boolean) => void;
  /** What is shown under the track that is selected, or has something found. */
  under: (key: string) => ReactNode;
}

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    axis: { height: 22, marginBottom: 2 },
    word: { position: 'absolute', width: 40, marginLeft: -20, textAlign: 'center', fontSize: 11 },
    last: { marginLeft: -40, textAlign: 'right' },
    first: { marginLeft: 0, textAlign: 'left' },
    stage: { borderTopWidth: 1, borderColor: colours.rule, paddingTop: space.s, paddingBottom: space.s },
  }),
);

/**
 * Seconds to scale, a strip for each thing that rings, its bar pulled at both ends or moved as a whole. The scale keeps
 * still while a bar is pulled, and has room beyond the last second to pull into.
 */
export function PullScale({
  stages,
  finishSeconds,
  nowSeconds,
  selectedKey,
  onSelect,
  onPull,
  under,
}: PullScaleProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const [width, setWidth] = useState(0);
  const ends = stages.flatMap(({ tracks }) => tracks.map(({ toSeconds }) => toSeconds));
  const wanted = Math.ceil((Math.max(finishSeconds, ...ends, 20) + 4) / 10) * 10;
  const [held, setHeld] = useState<number | null>(null);
  const span = held ?? wanted;
  const at = (seconds: number) => `${(seconds / span) * 100}%` as const;
  return (
    <View onLayout={({ nativeEvent }: LayoutChangeEvent) => setWidth(nativeEvent.layout.width)}>
      <View style={styles.axis} aria-hidden>
        {ticksOf(span).map((second) => (
          <Txt
            key={second}
            as="mono"
            colour={colours.faint}
            style={[
              styles.word,
              second === 0 && styles.first,
              second === span && styles.last,
              { left: at(second) },
            ]}
          >
            {second === 0 ? '0 s' : second}
          </Txt>
        ))}
      </View>
      {stages.map(({ key, head, tracks, foot }) => (
        <View key={key} style={styles.stage}>
          {head}
          {tracks.map((track) => (
            <Fragment key={track.key}>
              <PullBar
                track={track}
                span={span}
                pixels={width}
                nowSeconds={nowSeconds}
                isSelected={track.key === selectedKey}
                onSelect={() => onSelect(track.key === selectedKey ? null : track.key)}
                onHold={(isHeld) => setHeld(isHeld ? span : null)}
                onPull={(from, to, isDone) => onPull(track.key, from, to, isDone)}
              />
              {under(track.key)}
            </Fragment>
          ))}
          {foot}
        </View>
      ))}
    </View>
  );
}
