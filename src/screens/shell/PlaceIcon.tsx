import Svg, { Circle, Line, Path, Rect } from 'react-native-svg';

import type { Place } from './places';

/** Our own five signs, drawn with one pen: a cord's end, the keys, bars on a scale, a ruled list, the roof. */
export function PlaceIcon({ path, colour }: { path: Place['path']; colour: string }) {
  const pen = { stroke: colour, strokeWidth: 2, fill: 'none' } as const;
  return (
    <Svg width={24} height={24} viewBox="0 0 24 24" aria-hidden>
      {path === '/' ? (
        <>
          <Path d="M3 6c6 0 5 6 11 6M3 18c6 0 5-6 11-6" {...pen} />
          <Circle cx={18} cy={12} r={3} {...pen} />
        </>
      ) : null}
      {path === '/dial'
        ? [5, 12, 19].flatMap((x) =>
            [5, 12, 19].map((y) => (
              <Rect key={`${x} ${y}`} x={x - 1.5} y={y - 1.5} width={3} height={3} fill={colour} />
            )),
          )
        : null}
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
}
