import type { ReactNode } from 'react';
import { Modal, Pressable, ScrollView, StyleSheet, View } from 'react-native';

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
  }),
);

interface SheetProps {
  title: string;
  onClose: () => void;
  children: ReactNode;
}

/** Something to choose, laid over the lower part of the screen. Escape and a tap beside it close it. */
export function Sheet({ title, onClose, children }: SheetProps) {
  const styles = useStyles();
  return (
    <Modal transparent animationType="none" onRequestClose={onClose} aria-label={title}>
      <View style={styles.veil}>
        <Pressable style={styles.outside} onPress={onClose} aria-hidden tabIndex={-1} />
        <View style={styles.sheet}>
          <Txt as="heading" level={2}>
            {title}
          </Txt>
          <ScrollView style={styles.scroll} contentContainerStyle={styles.content}>
            {children}
          </ScrollView>
          <Plate word="Close" onPress={onClose} />
        </View>
      </View>
    </Modal>
  );
}
