import { Pressable, StyleSheet } from 'react-native';

import { takeLayersUp, useLayers } from '@/ui/layer';
import { Txt } from '@/ui/text';
import { space, target, themed } from '@/ui/tokens';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    strip: {
      minHeight: target,
      justifyContent: 'center',
      paddingHorizontal: space.l,
      backgroundColor: colours.sheet,
      borderTopWidth: 2,
      borderColor: colours.saffron,
    },
  }),
);

/** What was put aside for a call, as it was left: one tap takes it up again. */
export function AsideStrip() {
  const styles = useStyles();
  const aside = useLayers().filter(({ isAside }) => isAside);
  if (aside.length === 0) return null;
  return (
    <Pressable role="button" onPress={takeLayersUp} style={styles.strip}>
      <Txt as="strong" lines={1}>{`Go on with: ${aside.map(({ title }) => title).join(', ')}`}</Txt>
    </Pressable>
  );
}
