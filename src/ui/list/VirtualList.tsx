import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';

interface VirtualListProps<T> {
  label: string;
  items: readonly T[];
  keyOf: (item: T) => string;
  /** Estimate in pixels; real heights are measured as rows appear. */
  heightOf: (item: T) => number;
  render: (item: T) => ReactNode;
}

/** A list of any length: only the rows in sight, and a few around them, are there. */
export function VirtualList<T>({ label, items, keyOf, heightOf, render }: VirtualListProps<T>) {
  const scroller = useRef<View>(null);
  // React Native for Web hands out the DOM element itself as the ref of a View.
  const element = () => scroller.current as unknown as HTMLElement | null;
  const virtualizer = useVirtualizer({
    count: items.length,
    getScrollElement: element,
    estimateSize: (index) => heightOf(at(items, index)),
    getItemKey: (index) => keyOf(at(items, index)),
    overscan: 8,
  });
  return (
    <View ref={scroller} style={styles.scroller} role="region" aria-label={label} tabIndex={0}>
      <View style={{ height: virtualizer.getTotalSize() }} role="list">
        {virtualizer.getVirtualItems().map(({ index, key, start }) => (
          <View
            key={key}
            ref={(row) => virtualizer.measureElement(row as unknown as HTMLElement | null)}
            {...{ dataSet: { index } }}
            role="listitem"
            style={[styles.row, { transform: [{ translateY: start }] }]}
          >
            {render(at(items, index))}
          </View>
        ))}
      </View>
    </View>
  );
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
