import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Line, Path } from 'react-native-svg';

import { target, themed, useTheme } from '../tokens';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    wave: { height: target + 8, borderBottomWidth: 1, borderColor: colours.ink },
  }),
);

const height = target + 8;
const stepSeconds = 5;
/** Silence is still seen. */
const leastShare = 0.03;

interface WaveformProps {
  label: string;
  /** The loudest of each part, 0 to 1. */
  peaks: Float32Array;
  seconds: number;
  at: number;
  /** Where it is, in words. */
  valueText: string;
  onSeek: (seconds: number) => void;
}

/** A sound drawn to scale, with a needle that is moved by a finger, a mouse or the arrow keys. */
export function Waveform({ label, peaks, seconds, at, valueText, onSeek }: WaveformProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const [width, setWidth] = useState(0);
  const seekTo = (x: number) => onSeek(Math.max(0, Math.min(seconds, (x / Math.max(width, 1)) * seconds)));
  const x = seconds > 0 ? (at / seconds) * width : 0;
  const pointer = {
    onPointerDown: ({ nativeEvent }: { nativeEvent: { offsetX: number } }) => seekTo(nativeEvent.offsetX),
    onKeyDown: (event: { key: string; preventDefault: () => void }) => {
      const by = { ArrowLeft: -stepSeconds, ArrowRight: stepSeconds, Home: -seconds, End: seconds }[
        event.key
      ];
      if (by === undefined) return;
      event.preventDefault();
      onSeek(Math.max(0, Math.min(seconds, at + by)));
    },
  };
  return (
    <View
      role="slider"
      aria-label={label}
      aria-valuemin={0}
      aria-valuemax={Math.round(seconds)}
      aria-valuenow={Math.round(at)}
      aria-valuetext={valueText}
      tabIndex={0}
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
      style={[styles.wave, { touchAction: 'pan-y', cursor: 'pointer' } as object]}
      {...(pointer as object)}
    >
      <View pointerEvents="none">
        <Svg width={width} height={height}>
          <Path d={pathOf(peaks, width)} stroke={colours.spruce} strokeWidth={2} />
          <Line x1={x} x2={x} y1={0} y2={height} stroke={colours.saffron} strokeWidth={3} />
        </Svg>
      </View>
    </View>
  );
}

function pathOf(peaks: Float32Array, width: number): string {
  const middle = height / 2;
  const parts: string[] = [];
  peaks.forEach((peak, index) => {
    const x = ((index + 0.5) / peaks.length) * width;
    const half = Math.max(peak, leastShare) * (middle - 3);
    parts.push(`M${x.toFixed(1)} ${(middle - half).toFixed(1)}V${(middle + half).toFixed(1)}`);
  });
  return parts.join('');
}
