import { Pressable, ScrollView, StyleSheet, View } from 'react-native';

import type { DirectoryRow } from '@/core/people/upkeep';
import { Txt } from '@/ui/text';
import { space, target, themed } from '@/ui/tokens';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    scale: { flexGrow: 0, borderBottomWidth: 1, borderColor: colours.ink, backgroundColor: colours.sheet },
    strip: { paddingHorizontal: space.s },
    mark: {
      minWidth: target - 8,
      minHeight: target,
      paddingHorizontal: space.s,
      alignItems: 'center',
      justifyContent: 'flex-end',
    },
    tick: { width: 1, height: 8, backgroundColor: colours.faint },
    pressed: { backgroundColor: colours.paper },
  }),
);

/** The beginnings that there are, as marks of a scale: a tap brings the list there. */
export function LetterScale({
  rows,
  onGo,
}: {
  rows: readonly DirectoryRow[];
  onGo: (rowId: string) => void;
}) {
  const styles = useStyles();
  const heads = rows.flatMap((row) => (row.kind === 'head' ? [row] : []));
  return (
    <ScrollView
      horizontal
      style={styles.scale}
      contentContainerStyle={styles.strip}
      role="navigation"
      aria-label="Go to a letter"
    >
      {heads.map(({ id, word }) => (
        <Pressable
          key={id}
          role="button"
          onPress={() => onGo(id)}
          style={({ pressed }) => [styles.mark, pressed && styles.pressed]}
        >
          <Txt as="strong">{word}</Txt>
          <View style={styles.tick} />
        </Pressable>
      ))}
    </ScrollView>
  );
}
