import { Fragment } from 'react';
import Svg, { Circle, G, Line, Path } from 'react-native-svg';

import { useTheme } from '@/ui/tokens';

import type { CordShape, Strand } from './cordShape';

interface CordDrawingProps {
  width: number;
  height: number;
  cords: readonly { key: string; shape: CordShape; colour: string }[];
}

const sheath = 18;
const strandGap = 9;
const socketSpread = 56;

/**
 * Each cord holds two strands: at the left our voice going up, at the right theirs coming down. A strand in which
 * sound moves is bright and moves that way; a cut one has a gap. So a look tells who hears whom.
 */
export function CordDrawing({ width, height, cords }: CordDrawingProps) {
  return (
    <Svg width={width} height={height}>
      {cords.map(({ key, shape, colour }, index) => {
        const top = ((index + 0.5) / cords.length) * width;
        const bottom = width / 2 + (index - (cords.length - 1) / 2) * socketSpread;
        return <Cord key={key} shape={shape} colour={colour} top={top} bottom={bottom} height={height} />;
      })}
    </Svg>
  );
}

interface CordProps {
  shape: CordShape;
  colour: string;
  top: number;
  bottom: number;
  height: number;
}

function Cord({ shape, colour, top, bottom, height }: CordProps) {
  const { colours } = useTheme();
  switch (shape.reach) {
    case 'plugged':
      return (
        <>
          <Path d={curve(top, bottom, height, 0, 1)} stroke={colour} strokeWidth={sheath} fill="none" />
          <StrandPath strand={shape.up} direction="up" path={curve(top - strandGap / 2, bottom - strandGap / 2, height, 0, 1)} />
          <StrandPath strand={shape.down} direction="down" path={curve(top + strandGap / 2, bottom + strandGap / 2, height, 0, 1)} />
          <Mouth strand={shape.up} direction="up" x={bottom - strandGap / 2 - 26} y={height * 0.72} />
          <Mouth strand={shape.down} direction="down" x={top + strandGap / 2 + 26} y={height * 0.28} />
        </>
      );
    case 'held':
      return (
        <>
          <Path d={curve(top, bottom, height, 0, 0.3)} stroke={colour} strokeWidth={6} strokeDasharray="12 8" fill="none" />
          <Circle {...pointAt(top, bottom, height, 0.3)} r={8} stroke={colour} strokeWidth={4} fill={colours.paper} />
          <Path d={curve(top, bottom, height, 0.74, 1)} stroke={colour} strokeWidth={6} strokeDasharray="12 8" fill="none" />
          <Circle {...pointAt(top, bottom, height, 0.74)} r={8} stroke={colour} strokeWidth={4} fill={colours.paper} />
          {shape.up === 'music' ? <Notes x={pointAt(top, bottom, height, 0.2).cx + 30} y={height * 0.2} /> : null}
        </>
      );
    case 'open':
    case 'broken': {
      const open = pointAt(top, bottom, height, 0.42);
      return (
        <>
          <Path d={curve(top, bottom, height, 0, 0.36)} stroke={colours.edge} strokeWidth={2} strokeDasharray="2 7" fill="none" />
          <Path d={curve(top, bottom, height, 0.42, 1)} stroke={colour} strokeWidth={sheath * 0.7} fill="none" />
          <Circle {...open} r={11} stroke={colour} strokeWidth={5} fill={colours.paper} />
          {shape.reach === 'broken' ? (
            <Path d={`M${open.cx - 16} ${open.cy - 30}l32 14M${open.cx - 16} ${open.cy - 16}l32 -14`} stroke={colours.rowan} strokeWidth={5} />
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
    return <Path {...moving} d={path} stroke={bright} strokeWidth={4.5} strokeLinecap="round" strokeDasharray="1 11" fill="none" />;
  }
  return null;
}

/** An arrow beside the strand says which way the voice goes; a cut voice has a bar across its arrow. */
function Mouth({ strand, direction, x, y }: { strand: Strand; direction: 'up' | 'down'; x: number; y: number }) {
  const { colours } = useTheme();
  const isOn = strand === 'sounds' || strand === 'music';
  const colour = isOn ? colours.ink : colours.rowan;
  const head = direction === 'up' ? 'M-7 -6L0 -14L7 -6' : 'M-7 6L0 14L7 6';
  return (
    <G x={x} y={y}>
      <Line x1={0} y1={-13} x2={0} y2={13} stroke={colour} strokeWidth={3} />
      <Path d={head} stroke={colour} strokeWidth={3} fill="none" />
      {isOn ? null : <Line x1={-12} y1={7} x2={12} y2={-7} stroke={colour} strokeWidth={4} />}
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

/** A point of the cord, 0 at the top and 1 at the bottom. */
function pointAt(top: number, bottom: number, height: number, t: number) {
  const u = 1 - t;
  const x = u ** 3 * top + 3 * u * u * t * top + 3 * u * t * t * bottom + t ** 3 * bottom;
  const y = (3 * u * u * t * 0.5 + 3 * u * t * t * 0.5 + t ** 3) * height;
  return { cx: x, cy: y };
}

/** The part of the cord between two of its points, as a path from the upper to the lower. */
function curve(top: number, bottom: number, height: number, from: number, to: number): string {
  const steps = 24;
  const points = Array.from({ length: steps + 1 }, (_, index) => {
    const { cx, cy } = pointAt(top, bottom, height, from + ((to - from) * index) / steps);
    return `${cx.toFixed(1)} ${cy.toFixed(1)}`;
  });
  return `M${points.join('L')}`;
}
