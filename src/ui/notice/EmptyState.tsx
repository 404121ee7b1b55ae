import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Line } from 'react-native-svg';

import { Txt } from '../text';
import { space, useTheme } from '../tokens';

interface EmptyStateProps {
  title: string;
  sentence: string;
  /** 1 where it is all there is on the screen. */
  level?: 1 | 2;
  /** The one way on. */
  children?: ReactNode;
}

const ticks = [0, 12, 24, 36, 48, 60, 72, 84, 96];

/** Nothing here: what there will be, and one way on. Drawn as a scale whose needle rests at its beginning. */
export function EmptyState({ title, sentence, level = 2, children }: EmptyStateProps) {
  const { colours } = useTheme();
  return (
    <View style={styles.state}>
      <Svg width={104} height={30} aria-hidden>
        <Line x1={4} x2={100} y1={26} y2={26} stroke={colours.edge} strokeWidth={1.5} />
        {ticks.map((x) => (
          <Line
            key={x}
            x1={x + 4}
            x2={x + 4}
            y1={x % 48 === 0 ? 14 : 20}
            y2={26}
            stroke={colours.edge}
            strokeWidth={1.5}
          />
        ))}
        <Line x1={4} x2={4} y1={2} y2={30} stroke={colours.saffron} strokeWidth={4} />
      </Svg>
      <Txt as="heading" level={level}>
        {title}
      </Txt>
      <Txt colour={colours.faint}>{sentence}</Txt>
      {children}
    </View>
  );
}

const styles = StyleSheet.create({
  state: { padding: space.xl, gap: space.m, alignItems: 'flex-start', maxWidth: 480 },
});
