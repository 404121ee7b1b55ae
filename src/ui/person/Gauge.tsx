import Svg, { Line, Path } from 'react-native-svg';

import { useTheme } from '../tokens';

/** Status of a person as it is drawn; the word always stands beside it. */
export type GaugeState = 'free' | 'onCall' | 'away' | 'doNotDisturb' | 'off';

const needles: Record<GaugeState, readonly [x: number, y: number] | null> = {
  free: [16, 5],
  onCall: [29, 16],
  away: [5, 14],
  doNotDisturb: [16, 5],
  off: null,
};

/** A half-round gauge: high when free, level and filled on a call, low when away, barred when not to be disturbed. */
export function Gauge({ state }: { state: GaugeState }) {
  const { colours } = useTheme();
  const needle = needles[state];
  const face = state === 'onCall' ? colours.saffron : 'none';
  return (
    <Svg width={32} height={22} viewBox="0 0 32 22" aria-hidden>
      <Path d="M3 18a13 13 0 0 1 26 0z" fill={face} stroke={colours.faint} strokeWidth={1.5} />
      {needle && state !== 'doNotDisturb' ? (
        <Line x1={16} y1={18} x2={needle[0]} y2={needle[1]} stroke={colours.ink} strokeWidth={3} />
      ) : null}
      {state === 'doNotDisturb' ? (
        <Line x1={4} y1={4} x2={28} y2={19} stroke={colours.rowan} strokeWidth={3.5} />
      ) : null}
    </Svg>
  );
}
