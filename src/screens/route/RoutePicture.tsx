import { useMemo } from 'react';
import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import Svg, { Defs, Line, Path, Pattern } from 'react-native-svg';

import { isEnd } from '@/core/calls/figures';
import type { Route, RouteNode } from '@/core/calls/route';
import type { OfficeIndex } from '@/core/setup';
import { CordEdge } from '@/ui/cord';
import { Txt } from '@/ui/text';
import { corner, space, target, themed, useTheme, type Colours } from '@/ui/tokens';

import { layOut, middleOf, outlineOf, type LaidNode, type Stream } from './layOut';
import { keysOfReach, nameOfPlace } from './routeWords';

const keysWidth = 80;

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    keys: { position: 'absolute', width: keysWidth, alignItems: 'center' },
    plate: {
      position: 'absolute',
      justifyContent: 'center',
      paddingHorizontal: space.s,
      backgroundColor: colours.sheet,
      borderWidth: 1,
      borderColor: colours.ink,
      borderRadius: corner,
      overflow: 'hidden',
    },
    key: { backgroundColor: colours.paper, paddingHorizontal: space.xs },
    name: { fontWeight: '600' },
    source: { backgroundColor: colours.night, borderColor: colours.nightEdge, paddingLeft: space.l },
    cord: { position: 'absolute', left: 0, top: 0, bottom: 0, flexDirection: 'row' },
    // The needle stands at what the tried call is at.
    here: { borderBottomWidth: 5, borderBottomColor: colours.saffron },
    end: { position: 'absolute', alignItems: 'center', justifyContent: 'flex-start' },
    // As a disc on the water: how many are there now.
    live: {
      position: 'absolute',
      right: 10,
      bottom: 4,
      minWidth: 22,
      paddingHorizontal: 4,
      alignItems: 'center',
      backgroundColor: colours.saffron,
      borderRadius: 11,
    },
    mark: {
      position: 'absolute',
      right: 0,
      top: 0,
      bottom: 0,
      width: 6,
      backgroundColor: colours.rowan,
    },
  }),
);

interface RoutePictureProps {
  route: Route;
  office: OfficeIndex;
  /** How wide it may be without being pulled sideways. */
  room: number;
  /** The way of the tried call, place by place. */
  lit: readonly string[];
  /** Where the tried call is now. */
  hereKey: string | null;
  /** How many calls are at a place now, by its key. */
  live: ReadonlyMap<string, number>;
  /** Places at which something is wrong. */
  wrong: ReadonlySet<string>;
  onOpen: (node: RouteNode) => void;
}

/** The route drawn as water: as wide as the calls, dry where none went, hatched where callers gave up. The list beside it says the same. */
export function RoutePicture({ route, office, room, lit, hereKey, live, wrong, onOpen }: RoutePictureProps) {
  const styles = useStyles();
  const { colours, size } = useTheme();
  const { width, height, nodes, streams } = useMemo(() => {
    const sizes = {
      plate: { width: size(128), height: Math.max(target, size(60)) },
      end: { width: size(68), height: size(44) },
    };
    return layOut(route, { ...sizes, ...{ gap: space.s, fall: 64, water: Math.max(88, room / 5), room } });
  }, [route, room, size]);
  const isLit = ({ from, to }: Stream) => {
    const at = lit.indexOf(from);
    return at >= 0 && lit[at + 1] === to;
  };
  const wet = streams.filter(({ calls }) => calls > 0);
  const ground = Math.max(...nodes.map(({ y }) => y));
  return (
    <ScrollView horizontal contentContainerStyle={{ width }} aria-label="The route as a picture">
      <View style={{ width, height }}>
        <Svg width={width} height={height} aria-hidden>
          <Hatching colour={colours.rowan} />
          <Line x1={0} x2={width} y1={ground - 1} y2={ground - 1} stroke={colours.ink} strokeWidth={1} />
          {streams
            .filter(({ calls }) => calls === 0)
            .map((stream) => (
              <Path
                key={`${stream.from} ${stream.to}`}
                d={middleOf(stream)}
                stroke={colours.edge}
                strokeWidth={1.5}
                strokeDasharray="2 5"
                fill="none"
              />
            ))}
          {wet.map((stream) => (
            <Path
              key={`${stream.from} ${stream.to}`}
              d={outlineOf(stream)}
              fill={stream.isLost ? 'url(#gaveUp)' : colours.slate}
              fillOpacity={stream.isLost ? 1 : 0.28}
              stroke={stream.isLost ? colours.rowan : colours.slate}
              strokeWidth={1}
            />
          ))}
          {streams.filter(isLit).map((stream) => (
            <Path
              key={`lit ${stream.from} ${stream.to}`}
              d={middleOf(stream)}
              stroke={colours.saffron}
              strokeWidth={5}
              fill="none"
            />
          ))}
        </Svg>
        {streams.map((stream) => {
          const keys = keysOfReach(stream);
          return keys === null ? null : (
            <View key={`keys ${stream.from} ${stream.to}`} style={[styles.keys, keysAt(stream)]} aria-hidden>
              <Txt as="small" colour={colours.ink} style={styles.key}>{`key ${keys}`}</Txt>
            </View>
          );
        })}
        {nodes.map((node) => (
          <Plate
            key={node.key}
            node={node}
            office={office}
            isHere={node.key === hereKey}
            live={live.get(node.key) ?? 0}
            isWrong={wrong.has(node.key)}
            onOpen={() => onOpen(node)}
          />
        ))}
      </View>
    </ScrollView>
  );
}

/** Above what the keys lead to, in the middle of their stream. */
const keysAt = ({ toX, toY }: Stream) => ({ left: toX - keysWidth / 2, top: toY - 22 });

const Hatching = ({ colour }: { colour: Colours['rowan'] }) => (
  <Defs>
    <Pattern id="gaveUp" width={7} height={7} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <Line x1={0} y1={0} x2={0} y2={7} stroke={colour} strokeWidth={3} />
    </Pattern>
  </Defs>
);

interface PlateProps {
  node: LaidNode;
  office: OfficeIndex;
  isHere: boolean;
  /** Calls that are there now. */
  live: number;
  isWrong: boolean;
  onOpen: () => void;
}

/** What stands at a place of the picture. */
function Plate({ node, office, isHere, live, isWrong, onOpen }: PlateProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const { place, x, y, width, height, calls } = node;
  const where = { left: x - width / 2, top: y, width, height };
  const name = nameOfPlace(place, office);
  if (isEnd(place)) {
    const isLost = place.kind === 'gaveUp';
    const colour =
      isLost || place.kind === 'circle' ? colours.rowan : calls === 0 ? colours.faint : colours.ink;
    const words = (
      <>
        <Txt as="small" lines={1} colour={colour}>
          {name}
        </Txt>
        <Txt as="mono" colour={colour}>
          {calls}
        </Txt>
      </>
    );
    return (
      <View style={[styles.end, where, isHere && styles.here]} aria-hidden>
        {words}
      </View>
    );
  }
  const isLine = place.kind === 'line';
  const shown = place.kind === 'hours' ? 'Hours' : name;
  const cord = isLine ? office.ever.lines.get(place.id)?.cord : undefined;
  return (
    <Pressable
      role="button"
      onPress={onOpen}
      style={({ pressed }) => [
        styles.plate,
        where,
        isLine && styles.source,
        isHere && styles.here,
        pressed && { opacity: 0.8 },
      ]}
    >
      {cord ? (
        <View style={styles.cord}>
          <CordEdge cord={cord} width={8} onNight />
        </View>
      ) : null}
      <Txt as="small" lines={2} colour={isLine ? colours.onNight : colours.ink} style={styles.name}>
        {shown}
      </Txt>
      <Txt as="mono" lines={1} {...(isLine && { colour: colours.faintOnNight })}>
        {calls === 1 ? '1 call' : `${calls} calls`}
      </Txt>
      {live > 0 ? (
        <View style={styles.live} role="img" aria-label={`${live} there now`}>
          <Txt as="mono" colour={colours.night}>
            {live}
          </Txt>
        </View>
      ) : null}
      {isWrong ? <View role="img" aria-label="something is wrong" style={styles.mark} /> : null}
    </Pressable>
  );
}
