import { StyleSheet, View } from 'react-native';
import Svg, { Line } from 'react-native-svg';

import type { Stroke } from '@/core/office';

import { useTheme } from '../tokens';
import { dashOf } from './strokes';

interface CordEdgeProps {
  cord: { hue: number; stroke: Stroke } | null;
  /** `down` runs along the left edge of what belongs to the line, `across` along its top. */
  run?: 'down' | 'across';
  width?: number;
  onNight?: boolean;
}

/** A line's cord along the edge of whatever belongs to that line: its colour and its stroke tell which it is. */
export function CordEdge({ cord, run = 'down', width = 7, onNight = false }: CordEdgeProps) {
  const { colours } = useTheme();
  if (!cord) return <View style={run === 'down' ? { width } : { height: width }} />;
  const colour = (onNight ? colours.cordsOnNight : colours.cords)[cord.hue] ?? colours.ink;
  const isPair = cord.stroke === 'double' || cord.stroke === 'thinPair';
  const strands = isPair ? (cord.stroke === 'double' ? [0.21, 0.79] : [0.14, 0.62]) : [0.5];
  const thickness = isPair ? width * (cord.stroke === 'double' ? 0.42 : 0.28) : width;
  return (
    <View
      style={[run === 'down' ? styles.down : styles.across, run === 'down' ? { width } : { height: width }]}
      aria-hidden
    >
      <Svg width="100%" height="100%" style={styles.fill}>
        {strands.map((at) => (
          <Line
            key={at}
            {...(run === 'down'
              ? { x1: at * width, x2: at * width, y1: '0', y2: '100%' }
              : { y1: at * width, y2: at * width, x1: '0', x2: '100%' })}
            stroke={colour}
            strokeWidth={thickness}
            strokeDasharray={dashOf(cord.stroke, width)}
          />
        ))}
      </Svg>
    </View>
  );
}

const styles = StyleSheet.create({
  down: { alignSelf: 'stretch' },
  across: { width: '100%' },
  // Out of the flow, or the drawing's own height would set that of the row.
  fill: { position: 'absolute', left: 0, top: 0 },
});
