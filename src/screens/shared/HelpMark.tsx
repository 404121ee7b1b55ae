import { Pressable, StyleSheet } from 'react-native';

import { Txt } from '@/ui/text';
import { space, target, themed } from '@/ui/tokens';

import { openHelp } from '../help/openHelp';

const useStyles = themed(({ colours, size }) =>
  StyleSheet.create({
    // A whole thumb to touch, and no more room in the line than the sign itself.
    touch: {
      minWidth: target,
      minHeight: target,
      margin: (size(30) - target) / 2,
      alignItems: 'center',
      justifyContent: 'center',
    },
    sign: {
      width: size(26),
      borderBottomWidth: 3,
      borderColor: colours.saffron,
      textAlign: 'center',
      marginHorizontal: space.xs,
    },
  }),
);

/** Tells what the screen is for, and its keys. */
export function HelpMark() {
  const styles = useStyles();
  return (
    <Pressable role="button" aria-label="What this screen is for" style={styles.touch} onPress={openHelp}>
      <Txt as="heading" style={styles.sign}>
        ?
      </Txt>
    </Pressable>
  );
}
