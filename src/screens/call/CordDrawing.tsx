import { Fragment } from 'react';
import Svg, { Circle, G, Line, Path, Text } from 'react-native-svg';

import { fonts, useTheme } from '@/ui/tokens';

import type { CordShape, Strand } from './cordShape';

interface CordDrawingProps {
  width: number;
  height: number;
  shape: CordShape;
  colour: string;
  /** Beside something else there is no room for words at it. */
  isNarrow?: boolean;
}

const sheath = 18;
const strandGap = 9;

/**
 * The cord to the only other end. It holds two strands: at the left our voice going up, at the right theirs coming
 * down. A strand in which sound moves is bright and moves that way; a cut one has a bar. So a look tells who hears whom.
 */
export function CordDrawing({ width, height, shape, colour, isNarrow = false }: CordDrawingProps) {
  return (
    <Svg width={width} height={height}>
      <Cord shape={shape} colour={colour} x={width / 2} height={height} isNarrow={isNarrow} />
    </Svg>
  );
}

interface CordProps {
  shape: CordShape;
  colour: string;
  x: number;
  height: number;
  isNarrow: boolean;
}

function Cord({ shape, colour, x, height, isNarrow }: CordProps) {
  const { colours } = useTheme();
  switch (shape.reach) {
    case 'plugged':
      return (
        <>
          <Path d={stretch(x, height, 0, 1)} stroke={colour} strokeWidth={sheath} fill="none" />
          <StrandPath strand={shape.up} direction="up" path={stretch(x - strandGap / 2, height, 0, 1)} />
          <StrandPath strand={shape.down} direction="down" path={stretch(x + strandGap / 2, height, 0, 1)} />
          {isNarrow ? null : (
            <>
              <Voice strand={shape.up} direction="up" at={{ cx: x, cy: height * 0.7 }} side={-1} />
              <Voice strand={shape.down} direction="down" at={{ cx: x, cy: height * 0.3 }} side={1} />
            </>
          )}
        </>
      );
    case 'held':
      return (
        <>
          <Path
            d={stretch(x, height, 0, 0.3)}
            stroke={colour}
            strokeWidth={6}
            strokeDasharray="12 8"
            fill="none"
          />
          <Circle cx={x} cy={height * 0.3} r={8} stroke={colour} strokeWidth={4} fill={colours.paper} />
          <Path
            d={stretch(x, height, 0.74, 1)}
            stroke={colour}
            strokeWidth={6}
            strokeDasharray="12 8"
            fill="none"
          />
          <Circle cx={x} cy={height * 0.74} r={8} stroke={colour} strokeWidth={4} fill={colours.paper} />
          {shape.up === 'music' ? <Notes x={x + 30} y={height * 0.2} /> : null}
        </>
      );
    case 'open':
    case 'broken': {
      const open = { cx: x, cy: height * 0.42 };
      return (
        <>
          <Path
            d={stretch(x, height, 0, 0.36)}
            stroke={colours.edge}
            strokeWidth={2}
            strokeDasharray="2 7"
            fill="none"
          />
          <Path d={stretch(x, height, 0.42, 1)} stroke={colour} strokeWidth={sheath * 0.7} fill="none" />
          <Circle {...open} r={11} stroke={colour} strokeWidth={5} fill={colours.paper} />
          {shape.reach === 'broken' ? (
            <Path
              d={`M${open.cx - 16} ${open.cy - 30}l32 14M${open.cx - 16} ${open.cy - 16}l32 -14`}
              stroke={colours.rowan}
              strokeWidth={5}
            />
          ) : null}
          {shape.rings ? <Waves x={open.cx} y={open.cy - 16} /> : null}
        </>
      );
    }
  }
}

function StrandPath({ strand, direction, path }: { strand: Strand; direction: 'up' | 'down'; path: string }) {
  const { colours, isDark } = useTheme();
  const bright = isDark ? colours.paper : colours.sheet;
  if (strand === 'sounds' || strand === 'music') {
    const moving = { 'data-flow': direction };
    return (
      <Path
        {...moving}
        d={path}
        stroke={bright}
        strokeWidth={4.5}
        strokeLinecap="round"
        strokeDasharray="1 11"
        fill="none"
      />
    );
  }
  return null;
}

interface VoiceProps {
  strand: Strand;
  direction: 'up' | 'down';
  at: { cx: number; cy: number };
  /** -1 left of the cord, 1 right of it. */
  side: -1 | 1;
}

/** An arrow beside the strand says whose voice goes which way; a cut voice has a bar across its arrow. */
function Voice({ strand, direction, at, side }: VoiceProps) {
  const { colours, size } = useTheme();
  const isOn = strand === 'sounds' || strand === 'music';
  const colour = isOn ? colours.ink : colours.rowan;
  const isUp = direction === 'up';
  const words = isUp ? ['your', 'voice'] : strand === 'music' ? ['their', 'music'] : ['their', 'voice'];
  return (
    <G x={at.cx + side * 30} y={at.cy}>
      <Line x1={0} y1={-13} x2={0} y2={13} stroke={colour} strokeWidth={3} />
      <Path d={isUp ? 'M-7 -6L0 -14L7 -6' : 'M-7 6L0 14L7 6'} stroke={colour} strokeWidth={3} fill="none" />
      {isOn ? null : <Line x1={-12} y1={7} x2={12} y2={-7} stroke={colour} strokeWidth={4} />}
      {words.map((word, index) => (
        <Text
          key={word}
          x={side * 18}
          y={index * size(17) - 3}
          textAnchor={side < 0 ? 'end' : 'start'}
          fontFamily={fonts.text}
          fontSize={size(14)}
          fill={colour}
        >
          {word}
        </Text>
      ))}
    </G>
  );
}

function Notes({ x, y }: { x: number; y: number }) {
  const { colours } = useTheme();
  return (
    <G x={x} y={y}>
      <Path d="M0 8V-12L16 -16V4" stroke={colours.slate} strokeWidth={3} fill="none" />
      <Circle cx={-4} cy={9} r={4.5} fill={colours.slate} />
      <Circle cx={12} cy={5} r={4.5} fill={colours.slate} />
    </G>
  );
}

function Waves({ x, y }: { x: number; y: number }) {
  const { colours } = useTheme();
  return (
    <Fragment>
      {[18, 30, 42].map((radius, index) => (
        <Path
          key={radius}
          {...{ 'data-ring': String(index) }}
          d={`M${x - radius * 0.7} ${y - radius * 0.45}A${radius} ${radius} 0 0 1 ${x + radius * 0.7} ${y - radius * 0.45}`}
          stroke={colours.saffron}
          strokeWidth={4}
          fill="none"
        />
      ))}
    </Fragment>
  );
}

/** The part of the cord between two of its points, 0 at the top and 1 at the bottom. */
const stretch = (x: number, height: number, from: number, to: number) =>
  `M${x} ${height * from}V${height * to}`;
