import { Fragment } from 'react';
import Svg, { Circle, G, Line, Path } from 'react-native-svg';

import { useTheme } from '@/ui/tokens';

import type { CordShape, Strand } from './cordShape';

/** One other end: where its card's middle is, and how the cord to it is drawn. */
export interface Branch {
  key: string;
  y: number;
  shape: CordShape;
  isPrivate: boolean;
}

/** One call: the cord that runs up from this device, and a branch to each of its ends. */
export interface Trunk {
  key: string;
  colour: string;
  /** Talked on now: it is plugged in at the bottom. */
  isActive: boolean;
  branches: readonly Branch[];
}

interface TrunkDrawingProps {
  width: number;
  height: number;
  trunks: readonly Trunk[];
}

const sheath = 14;
const strandGap = 6;
const bend = 14;
const edge = 14;

/**
 * Several ends: each call's cord runs up the left and branches to its people. The outermost belongs to the topmost
 * call, so that no cord crosses another. A held one ends in an open ring before it reaches this device.
 */
export function TrunkDrawing({ width, height, trunks }: TrunkDrawingProps) {
  const step = Math.min(26, (width - edge - 30) / Math.max(1, trunks.length));
  return (
    <Svg width={width} height={height}>
      {trunks.map((trunk, index) => (
        <TrunkCord key={trunk.key} trunk={trunk} x={edge + index * step} width={width} height={height} />
      ))}
    </Svg>
  );
}

interface TrunkCordProps {
  trunk: Trunk;
  x: number;
  width: number;
  height: number;
}

function TrunkCord({ trunk: { branches, colour, isActive }, x, width, height }: TrunkCordProps) {
  const { colours } = useTheme();
  const top = Math.min(...branches.map(({ y }) => y));
  const bottom = isActive ? height : height - 24;
  const firstPlugged = Math.min(
    ...branches.filter(({ shape }) => shape.reach === 'plugged').map(({ y }) => y),
  );
  const sounds = (way: 'up' | 'down') => branches.some(({ shape }) => isSounding(shape[way]));
  const isSolid = isActive && firstPlugged < Infinity;
  const trunkTop = (isSolid ? firstPlugged : top) + bend;
  return (
    <G>
      <Path
        d={`M${x} ${bottom}V${trunkTop}`}
        stroke={colour}
        strokeWidth={isSolid ? sheath : 5}
        strokeDasharray={isActive ? undefined : '10 7'}
        fill="none"
      />
      {isActive ? null : (
        <Circle cx={x} cy={bottom} r={7} stroke={colour} strokeWidth={4} fill={colours.paper} />
      )}
      {branches.map((branch) => (
        <BranchCord key={branch.key} branch={branch} colour={colour} x={x} end={width} trunkTop={trunkTop} />
      ))}
      {isSolid && sounds('up') ? (
        <Flow way="up" path={`M${x - strandGap / 2} ${bottom}V${trunkTop}`} />
      ) : null}
      {isSolid && sounds('down') ? (
        <Flow way="down" path={`M${x + strandGap / 2} ${trunkTop}V${bottom}`} />
      ) : null}
    </G>
  );
}

const isSounding = (strand: Strand) => strand === 'sounds' || strand === 'music';

interface BranchCordProps {
  branch: Branch;
  colour: string;
  x: number;
  end: number;
  trunkTop: number;
}

function BranchCord({ branch: { y, shape, isPrivate }, colour, x, end, trunkTop }: BranchCordProps) {
  const { colours } = useTheme();
  const isThick = shape.reach === 'plugged';
  const openAt = end - 14;
  const from = Math.max(trunkTop, y + bend);
  const path = (dx: number, dy: number, to: number) =>
    `M${x + dx} ${from}V${y + bend}Q${x + dx} ${y + dy} ${x + bend} ${y + dy}H${to}`;
  return (
    <Fragment>
      {isPrivate && isThick ? (
        <Path d={path(0, 0, end)} stroke={colours.saffron} strokeWidth={sheath + 8} fill="none" />
      ) : null}
      <Path
        d={path(0, 0, isThick ? end : openAt - 7)}
        stroke={colour}
        strokeWidth={isThick ? sheath : 5}
        strokeDasharray={isThick || shape.reach === 'open' ? undefined : '10 7'}
        fill="none"
      />
      {isThick ? (
        <>
          {isSounding(shape.up) ? <Flow way="up" path={path(-strandGap / 2, -strandGap / 2, end)} /> : null}
          {isSounding(shape.down) ? <Flow way="down" path={path(strandGap / 2, strandGap / 2, end)} /> : null}
          <Cut x={end - 18} y={y} isUpCut={shape.up === 'cut'} isDownCut={shape.down === 'cut'} />
        </>
      ) : (
        <OpenEnd x={openAt} y={y} shape={shape} colour={colour} />
      )}
    </Fragment>
  );
}

/** The strand is drawn with its own direction: up goes towards the others. */
function Flow({ way, path }: { way: 'up' | 'down'; path: string }) {
  const { colours, isDark } = useTheme();
  return (
    <Path
      {...{ 'data-flow': way }}
      d={path}
      stroke={isDark ? colours.paper : colours.sheet}
      strokeWidth={3.5}
      strokeLinecap="round"
      strokeDasharray="1 11"
      fill="none"
    />
  );
}

/** A bar across the strand whose voice does not get through. */
function Cut({ x, y, isUpCut, isDownCut }: { x: number; y: number; isUpCut: boolean; isDownCut: boolean }) {
  const { colours } = useTheme();
  const bar = (dy: number) => (
    <G>
      <Circle cx={x} cy={y + dy} r={9} fill={colours.paper} stroke={colours.rowan} strokeWidth={3} />
      <Line x1={x - 6} y1={y + dy + 6} x2={x + 6} y2={y + dy - 6} stroke={colours.rowan} strokeWidth={3} />
    </G>
  );
  return (
    <>
      {isUpCut ? bar(isDownCut ? -11 : 0) : null}
      {isDownCut ? bar(isUpCut ? 11 : 0) : null}
    </>
  );
}

function OpenEnd({ x, y, shape, colour }: { x: number; y: number; shape: CordShape; colour: string }) {
  const { colours } = useTheme();
  return (
    <>
      {shape.rings
        ? [16, 24].map((radius, index) => (
            <Path
              key={radius}
              {...{ 'data-ring': String(index) }}
              d={`M${x - radius * 0.6} ${y - radius * 0.8}A${radius} ${radius} 0 0 1 ${x + radius * 0.6} ${y - radius * 0.8}`}
              stroke={colours.saffron}
              strokeWidth={4}
              fill="none"
            />
          ))
        : null}
      <Circle cx={x} cy={y} r={7} stroke={colour} strokeWidth={4} fill={colours.paper} />
      {shape.reach === 'broken' ? (
        <Path
          d={`M${x - 10} ${y - 10}l20 20M${x - 10} ${y + 10}l20 -20`}
          stroke={colours.rowan}
          strokeWidth={4}
        />
      ) : null}
    </>
  );
}
