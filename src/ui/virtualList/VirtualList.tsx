import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useEffectEvent, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';

interface VirtualListProps<T> {
  label: string;
  items: readonly T[];
  keyOf: (item: T) => string;
  /** Estimate in pixels; real heights are measured as rows appear. */
  heightOf: (item: T) => number;
  /** Rows without anything to press (heads) are passed over by the arrow keys. */
  isPressable: (item: T) => boolean;
  /** `isReachable` is true for the one row at which Tab stops. */
  render: (item: T, isReachable: boolean) => ReactNode;
  /** The row to be brought to the top, each time another is given. */
  showFirst?: { key: string } | null;
}

const steps: Record<string, number> = {
  ArrowDown: 1,
  ArrowUp: -1,
  PageDown: 10,
  PageUp: -10,
  Home: -Infinity,
  End: Infinity,
};

/**
 * A list of any length: only the rows in sight, and a few around them, are there. It is one stop for Tab, so that
 * nobody has to pass a thousand rows; the arrow keys go from row to row (WAI-ARIA APG, roving tabindex).
 */
export function VirtualList<T>(props: VirtualListProps<T>) {
  const { label, items, keyOf, heightOf, isPressable, render, showFirst = null } = props;
  const scroller = useRef<View>(null);
  // React Native for Web hands out the DOM element itself as the ref of a View.
  const element = () => scroller.current as unknown as HTMLElement | null;
  const virtualizer = useVirtualizer({
    count: items.length,
    getScrollElement: element,
    estimateSize: (index) => heightOf(at(items, index)),
    getItemKey: (index) => keyOf(at(items, index)),
    overscan: 4,
  });
  const [chosen, setChosen] = useState<number | null>(null);
  const firstPressable = items.findIndex(isPressable);
  const reachable = chosen !== null && chosen < items.length ? chosen : firstPressable;

  const show = useEffectEvent((key: string) => {
    const index = items.findIndex((item) => keyOf(item) === key);
    if (index < 0) return;
    virtualizer.scrollToIndex(index, { align: 'start' });
    setChosen(nextPressable(items, isPressable, index, 1));
  });
  useEffect(() => {
    if (showFirst !== null) show(showFirst.key);
  }, [showFirst]);

  const move = (event: KeyboardEvent) => {
    const step = steps[event.key];
    if (step === undefined || firstPressable < 0) return;
    event.preventDefault();
    const next = nextPressable(items, isPressable, reachable, step);
    if (next === null) return;
    setChosen(next);
    virtualizer.scrollToIndex(next);
    requestAnimationFrame(() =>
      element()?.querySelector<HTMLElement>(`[data-index="${next}"] [role="button"]`)?.focus(),
    );
  };

  return (
    <View
      ref={scroller}
      style={styles.scroller}
      role="region"
      aria-label={label}
      // With nothing to press in it, it is itself what the keys scroll.
      tabIndex={firstPressable < 0 ? 0 : undefined}
      {...{ onKeyDown: move }}
    >
      <View style={{ height: virtualizer.getTotalSize() }} role="list">
        {virtualizer.getVirtualItems().map(({ index, key, start }) => (
          <View
            key={key}
            ref={(row) => virtualizer.measureElement(row as unknown as HTMLElement | null)}
            {...{ dataSet: { index } }}
            role="listitem"
            style={[styles.row, { transform: [{ translateY: start }] }]}
          >
            {render(at(items, index), index === reachable)}
          </View>
        ))}
      </View>
    </View>
  );
}

function nextPressable<T>(
  items: readonly T[],
  isPressable: (item: T) => boolean,
  from: number,
  step: number,
): number | null {
  const last = items.length - 1;
  const direction = Math.sign(step);
  let index = Math.min(Math.max(from + step, 0), last);
  // From the edge look inwards, else onwards.
  const search = index === 0 && step < 0 ? 1 : index === last && step > 0 ? -1 : direction;
  for (; index >= 0 && index <= last; index += search) if (isPressable(at(items, index))) return index;
  return null;
}

function at<T>(items: readonly T[], index: number): T {
  const item = items[index];
  if (item === undefined) throw new Error(`No row ${index}`);
  return item;
}

const styles = StyleSheet.create({
  scroller: { flex: 1, overflow: 'scroll', minHeight: 0 },
  row: { position: 'absolute', left: 0, right: 0, top: 0 },
});
