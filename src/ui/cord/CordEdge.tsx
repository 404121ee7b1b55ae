import { StyleSheet, View, type ViewStyle } from 'react-native';

import type { Stroke } from '@/core/setup';

import { useTheme } from '../tokens';

interface CordEdgeProps {
  cord: { hue: number; stroke: Stroke } | null;
  /** `down` runs along the left edge of what belongs to the line, `across` along its top. */
  run?: 'down' | 'across';
  width?: number;
  onNight?: boolean;
}

/**
 * A line's cord along the edge of whatever belongs to that line: its colour and its stroke tell which it is. Painted
 * as a background, since a drawing in each row would cost a long history its smoothness.
 */
export function CordEdge({ cord, run = 'down', width = 7, onNight = false }: CordEdgeProps) {
  const { colours } = useTheme();
  const isDown = run === 'down';
  const extent = isDown ? { width } : { height: width };
  if (!cord) return <View style={[styles.edge, extent]} />;
  const colour = (onNight ? colours.cordsOnNight : colours.cords)[cord.hue] ?? colours.ink;
  return <View style={[styles.edge, extent, paint(cord.stroke, colour, width, isDown)]} aria-hidden />;
}

/** The stroke as a background: bands along the cord where it is broken, across it where it is a pair. */
function paint(stroke: Stroke, colour: string, width: number, isDown: boolean): ViewStyle {
  const along = isDown ? 'to bottom' : 'to right';
  const across = isDown ? 'to right' : 'to bottom';
  const broken = (...lengths: number[]) => {
    let at = 0;
    const bands = lengths.map((length, index) => {
      const from = at;
      at += length * width;
      return `${index % 2 === 0 ? colour : 'transparent'} ${from}px ${at}px`;
    });
    return { backgroundImage: `repeating-linear-gradient(${along}, ${bands.join(', ')})` } as ViewStyle;
  };
  const pair = (thick: number) =>
    ({
      backgroundImage: `linear-gradient(${across}, ${colour} 0 ${thick}%, transparent ${thick}% ${100 - thick}%, ${colour} ${100 - thick}% 100%)`,
    }) as ViewStyle;
  switch (stroke) {
    case 'solid':
      return { backgroundColor: colour };
    case 'dashed':
      return broken(2, 1);
    case 'dotted':
      return broken(1, 1);
    case 'dashDot':
      return broken(3, 1, 1, 1);
    case 'double':
      return pair(40);
    case 'thinPair':
      return pair(26);
  }
}

const styles = StyleSheet.create({ edge: { alignSelf: 'stretch' } });
