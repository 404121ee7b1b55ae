import { StyleSheet, View } from 'react-native';

import { Txt } from '../text';
import { corner, space, themed } from '../tokens';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    plate: {
      alignSelf: 'flex-start',
      paddingHorizontal: space.s,
      paddingVertical: 2,
      borderWidth: 1,
      borderRadius: corner,
      borderColor: colours.edge,
      backgroundColor: colours.sheet,
    },
  }),
);

/** A number that has to be read exactly, an extension or a slot, stamped on a plate of its own. */
export function NumberPlate({ number }: { number: string }) {
  const styles = useStyles();
  return (
    <View style={styles.plate}>
      <Txt as="mono">{number}</Txt>
    </View>
  );
}
