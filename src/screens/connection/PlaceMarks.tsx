import Svg, { Circle, Line } from 'react-native-svg';

import { worstAcceptableMos } from '@/core/calls/quality';
import { useTheme } from '@/ui/tokens';

const width = 96;
const height = 36;
const edge = 5;
const mostShown = 12;

/** The scores of one place from left to right, MOS 1 to 4.5; the line is where talk begins to be hard. */
export function PlaceMarks({ scores }: { scores: readonly number[] }) {
  const { colours } = useTheme();
  const shown = scores.slice(-mostShown);
  const x = (at: number) => edge + ((at + 0.5) * (width - 2 * edge)) / Math.max(shown.length, 1);
  const y = (score: number) =>
    height - edge - ((Math.min(Math.max(score, 1), 4.5) - 1) / 3.5) * (height - 2 * edge);
  return (
    <Svg width={width} height={height} aria-hidden>
      <Line
        x1={0}
        x2={width}
        y1={y(worstAcceptableMos)}
        y2={y(worstAcceptableMos)}
        stroke={colours.ink}
        strokeWidth={1}
        strokeDasharray="4 3"
      />
      {shown.map((score, at) => (
        <Circle
          key={at}
          cx={x(at)}
          cy={y(score)}
          r={4}
          fill={score < worstAcceptableMos ? colours.sheet : colours.saffron}
          stroke={colours.ink}
          strokeWidth={1.5}
        />
      ))}
    </Svg>
  );
}
