import { memo } from 'react';
import Svg, { Circle, Line, Path, Rect } from 'react-native-svg';

import type { Place } from './places';

const keys = [5, 12, 19];
const nineKeys = keys.flatMap((x) => keys.map((y) => `M${x - 1.5} ${y - 1.5}h3v3h-3z`)).join('');

/** Our own five signs, drawn with one pen: a cord's end, the keys, bars on a scale, a ruled list, the roof. */
export const PlaceIcon = memo(function PlaceIcon({ path, colour }: { path: Place['path']; colour: string }) {
  const pen = { stroke: colour, strokeWidth: 2, fill: 'none' } as const;
  return (
    <Svg width={24} height={24} viewBox="0 0 24 24" aria-hidden>
      {path === '/' ? (
        <>
          <Path d="M3 6c6 0 5 6 11 6M3 18c6 0 5-6 11-6" {...pen} />
          <Circle cx={18} cy={12} r={3} {...pen} />
        </>
      ) : null}
      {path === '/dial' ? <Path d={nineKeys} fill={colour} /> : null}
      {path === '/plan' ? (
        <>
          <Line x1={3} y1={6} x2={14} y2={6} {...pen} />
          <Line x1={8} y1={12} x2={18} y2={12} {...pen} />
          <Line x1={13} y1={18} x2={21} y2={18} {...pen} />
          <Line x1={18} y1={3} x2={18} y2={21} {...pen} strokeWidth={1.5} />
        </>
      ) : null}
      {path === '/directory' ? (
        <>
          <Rect x={3} y={4} width={18} height={16} {...pen} />
          <Path d="M3 10h18M9 4v16" {...pen} />
        </>
      ) : null}
      {path === '/office' ? <Path d="M3 21V11l9-7 9 7v10h-6v-6H9v6z" {...pen} /> : null}
    </Svg>
  );
});
