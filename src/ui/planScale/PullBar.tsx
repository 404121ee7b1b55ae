import { useRef } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';

import { Txt } from '../text';
import { corner, space, target, themed, useTheme } from '../tokens';
import { ticksOf } from '../scale';

export interface PullTrack {
  key: string;
  label: string;
  fromSeconds: number;
  toSeconds: number;
  /** From here on it is cut by what comes next, though it was meant to ring on. */
  cutAtSeconds: number | null;
  /** Words such as "key" and "name" that stand at the bar. */
  marks: readonly string[];
  /** Where the earliest second of the track lies: its stage's beginning. */
  leastSeconds: number;
  /** What was found wrong with it, as the bar shows it. */
  tone: 'well' | 'attention' | 'alarm';
}

interface PullBarProps {
  track: PullTrack;
  /** Seconds of the whole scale, and how wide it is drawn. */
  span: number;
  pixels: number;
  nowSeconds?: number;
  isSelected: boolean;
  onSelect: () => void;
  onHold: (isHeld: boolean) => void;
  onPull: (fromSeconds: number, toSeconds: number, isDone: boolean) => void;
}

const barHeight = 30;
const handleWidth = 28;

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    track: { paddingTop: space.xs },
    words: { flexDirection: 'row', alignItems: 'center', gap: space.s, minHeight: 26 },
    label: { flex: 1, minWidth: 0 },
    mark: {
      borderWidth: 1,
      borderColor: colours.edge,
      borderRadius: corner,
      paddingHorizontal: space.xs,
    },
    plot: { height: target, justifyContent: 'center' },
    rail: { position: 'absolute', left: 0, right: 0, height: 1, backgroundColor: colours.rule },
    tick: { position: 'absolute', top: 6, bottom: 6, width: 1, backgroundColor: colours.rule },
    bar: { position: 'absolute', height: barHeight, borderRadius: corner },
    rest: {
      position: 'absolute',
      height: barHeight,
      borderWidth: 2,
      borderStyle: 'dashed',
      borderColor: colours.rowan,
    },
    handle: {
      position: 'absolute',
      width: handleWidth,
      height: target,
      marginLeft: -handleWidth / 2,
      alignItems: 'center',
      justifyContent: 'center',
    },
    grip: { width: 10, height: barHeight + 8, borderWidth: 2, borderRadius: corner },
    needle: {
      position: 'absolute',
      top: 0,
      bottom: 0,
      width: 3,
      marginLeft: -1,
      backgroundColor: colours.saffron,
    },
  }),
);

type End = 'from' | 'to' | 'both';

/** One strip: its name and seconds, and the bar that is pulled by finger, mouse or arrow keys. */
export function PullBar({
  track,
  span,
  pixels,
  nowSeconds,
  isSelected,
  onSelect,
  onHold,
  onPull,
}: PullBarProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const { label, fromSeconds, toSeconds, cutAtSeconds, marks, leastSeconds, tone } = track;
  const grabbed = useRef<{ end: End; x: number; from: number; to: number; last: [number, number] } | null>(
    null,
  );
  const at = (seconds: number) => `${(Math.min(seconds, span) / span) * 100}%` as const;
  const bounded = (end: End, from: number, to: number): [number, number] => {
    const length = to - from;
    if (end === 'both') {
      const start = Math.min(Math.max(from, leastSeconds), span - length);
      return [start, start + length];
    }
    return end === 'from'
      ? [Math.min(Math.max(from, leastSeconds), to - 1), to]
      : [from, Math.min(Math.max(to, from + 1), span)];
  };
  const pulled = (x: number): [number, number] | null => {
    const held = grabbed.current;
    if (!held || pixels === 0) return null;
    const by = Math.round(((x - held.x) / pixels) * span);
    return bounded(
      held.end,
      held.from + (held.end === 'to' ? 0 : by),
      held.to + (held.end === 'from' ? 0 : by),
    );
  };
  const pointer = (end: End) => ({
    onPointerDown: (event: PointerLike) => {
      event.stopPropagation();
      event.currentTarget.setPointerCapture?.(event.nativeEvent.pointerId);
      grabbed.current = {
        end,
        x: event.nativeEvent.clientX,
        from: fromSeconds,
        to: toSeconds,
        last: [fromSeconds, toSeconds],
      };
      onHold(true);
    },
    onPointerMove: (event: PointerLike) => {
      const next = pulled(event.nativeEvent.clientX);
      const held = grabbed.current;
      if (!next || !held || (next[0] === held.last[0] && next[1] === held.last[1])) return;
      held.last = next;
      onPull(next[0], next[1], false);
    },
    onPointerUp: () => {
      const held = grabbed.current;
      grabbed.current = null;
      onHold(false);
      if (!held) return;
      const isMoved = held.last[0] !== held.from || held.last[1] !== held.to;
      if (isMoved) onPull(held.last[0], held.last[1], true);
      else if (end === 'both') onSelect();
    },
    onPointerCancel: () => {
      const held = grabbed.current;
      grabbed.current = null;
      onHold(false);
      if (held) onPull(held.from, held.to, true);
    },
  });
  const keys = (end: End) => (event: KeyLike) => {
    const by = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1, PageDown: -5, PageUp: 5 }[
      event.key
    ];
    if (by === undefined) return;
    event.preventDefault();
    const next = bounded(end, fromSeconds + (end === 'to' ? 0 : by), toSeconds + (end === 'from' ? 0 : by));
    onPull(next[0], next[1], true);
  };
  const handle = (end: 'from' | 'to') => {
    const value = end === 'from' ? fromSeconds : toSeconds;
    return (
      <View
        style={[styles.handle, { left: at(value), touchAction: 'none' } as object]}
        role="slider"
        tabIndex={0}
        aria-label={`${label} ${end === 'from' ? 'begins' : 'ends'}`}
        aria-valuemin={end === 'from' ? leastSeconds : fromSeconds + 1}
        aria-valuemax={end === 'from' ? toSeconds - 1 : span}
        aria-valuenow={value}
        aria-valuetext={`second ${value}`}
        {...({ ...pointer(end), onKeyDown: keys(end) } as object)}
      >
        <View style={[styles.grip, { borderColor: ink, backgroundColor: colours.sheet }]} />
      </View>
    );
  };
  const ink = tone === 'alarm' ? colours.rowan : isSelected ? colours.ink : colours.spruce;
  const ringsTo = cutAtSeconds === null ? toSeconds : Math.max(cutAtSeconds, fromSeconds);
  return (
    <View style={styles.track}>
      <Pressable role="button" aria-expanded={isSelected} onPress={onSelect} style={styles.words}>
        <Txt as={isSelected ? 'strong' : 'body'} lines={1} style={styles.label}>
          {label}
        </Txt>
        {marks.map((mark) => (
          <View key={mark} style={styles.mark}>
            <Txt as="small">{mark}</Txt>
          </View>
        ))}
        <Txt as="mono">{`${fromSeconds}–${toSeconds} s`}</Txt>
      </Pressable>
      <View style={styles.plot}>
        <View style={styles.rail} />
        {ticksOf(span).map((second) => (
          <View key={second} style={[styles.tick, { left: at(second) }]} />
        ))}
        <View
          style={[
            styles.bar,
            {
              left: at(fromSeconds),
              width: at(ringsTo - fromSeconds),
              backgroundColor: ink,
              touchAction: 'none',
            } as object,
          ]}
          aria-hidden
          {...(pointer('both') as object)}
        />
        {ringsTo < toSeconds ? (
          <View
            style={[
              styles.rest,
              { left: at(ringsTo), width: at(toSeconds - ringsTo), pointerEvents: 'none' },
            ]}
          />
        ) : null}
        {handle('from')}
        {handle('to')}
        {nowSeconds === undefined ? null : (
          <View style={[styles.needle, { left: at(nowSeconds), pointerEvents: 'none' }]} />
        )}
      </View>
    </View>
  );
}

/** What is used of the browser's pointer and key events, which React Native has no types for. */
interface PointerLike {
  nativeEvent: { clientX: number; pointerId: number };
  currentTarget: { setPointerCapture?: (pointerId: number) => void };
  stopPropagation: () => void;
}
interface KeyLike {
  key: string;
  preventDefault: () => void;
}
