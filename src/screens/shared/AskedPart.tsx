import { Pressable, StyleSheet } from 'react-native';

import { Txt } from '@/ui/text';
import { target, themed, useTheme } from '@/ui/tokens';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    part: {
      minHeight: target,
      justifyContent: 'flex-end',
      borderBottomWidth: 3,
      borderColor: colours.saffron,
    },
  }),
);

interface AskedPartProps {
  word: string;
  /** What it is a part of the question as. */
  label: string;
  onPress: () => void;
}

/** A part of a question that is a sentence, changed by a tap. */
export function AskedPart({ word, label, onPress }: AskedPartProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  return (
    <Pressable
      role="button"
      aria-label={label}
      onPress={onPress}
      style={({ pressed }) => [styles.part, pressed && { backgroundColor: colours.sheet }]}
    >
      <Txt as="heading" colour={colours.spruce}>
        {word}
      </Txt>
    </Pressable>
  );
}
