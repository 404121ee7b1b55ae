import type { ReactNode } from 'react';
import { Pressable, ScrollView, StyleSheet, View } from 'react-native';

import { Layer, useKeyboardInset } from '../layer';
import { Plate } from '../plate';
import { Txt } from '../text';
import { corner, space, themed } from '../tokens';

const useStyles = themed(({ colours, isDark }) =>
  StyleSheet.create({
    veil: {
      flex: 1,
      justifyContent: 'flex-end',
      alignItems: 'center',
      backgroundColor: isDark ? '#000000B0' : '#14201D99',
    },
    // Room for the outline of what has the focus.
    scroll: { margin: -space.s },
    content: { padding: space.s },
    outside: { ...StyleSheet.absoluteFill },
    sheet: {
      width: '100%',
      maxWidth: 560,
      maxHeight: '86%',
      backgroundColor: colours.paper,
      borderTopWidth: 3,
      borderColor: colours.ink,
      borderTopLeftRadius: corner,
      borderTopRightRadius: corner,
      padding: space.l,
      gap: space.m,
    },
    foot: { flexDirection: 'row', gap: space.m },
    grow: { flex: 1 },
  }),
);

interface SheetProps {
  title: string;
  onClose: () => void;
  children: ReactNode;
  /** What it answers: the id of a ringing call, which then does not lie over it. */
  about?: string;
  /** Stands beside Close, at the thumb. */
  foot?: ReactNode;
}

/** Something to choose, laid over the lower part of the screen. Escape and a tap beside it close it. */
export function Sheet({ title, onClose, children, about, foot }: SheetProps) {
  const styles = useStyles();
  const keyboard = useKeyboardInset();
  return (
    <Layer title={title} onClose={onClose} about={about}>
      <View style={[styles.veil, keyboard > 0 && { paddingBottom: keyboard }]}>
        <Pressable style={styles.outside} onPress={onClose} aria-hidden tabIndex={-1} />
        <View style={styles.sheet}>
          <Txt as="heading" level={2}>
            {title}
          </Txt>
          <ScrollView style={styles.scroll} contentContainerStyle={styles.content}>
            {children}
          </ScrollView>
          <View style={styles.foot}>
            <Plate word="Close" onPress={onClose} style={styles.grow} />
            {foot}
          </View>
        </View>
      </View>
    </Layer>
  );
}
