import { Pressable, StyleSheet } from 'react-native';

import { Txt } from '@/ui/text';
import { space, target, themed } from '@/ui/tokens';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    press: { minHeight: target, minWidth: target, justifyContent: 'center', paddingHorizontal: space.s },
    word: { textDecorationLine: 'underline', textDecorationColor: colours.saffron },
  }),
);

interface MoreToggleProps {
  /** What there is more of: "the voicemail". */
  of: string;
  isOpen: boolean;
  onToggle: () => void;
}

/** Shows what can be done with an entry of a list, and puts it away again. */
export function MoreToggle({ of, isOpen, onToggle }: MoreToggleProps) {
  const styles = useStyles();
  const word = isOpen ? 'Less' : 'More';
  return (
    <Pressable
      role="button"
      aria-expanded={isOpen}
      aria-label={`${word} for ${of}`}
      onPress={onToggle}
      style={styles.press}
    >
      <Txt as="strong" style={styles.word}>
        {word}
      </Txt>
    </Pressable>
  );
}
