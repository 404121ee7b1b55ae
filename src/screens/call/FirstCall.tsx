import { useEffect } from 'react';
import { StyleSheet, View } from 'react-native';

import { actMet, selectMet, selectTaken, useAppDispatch, useAppSelector, useAppStore } from '@/state/app';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    guide: {
      marginHorizontal: space.l,
      marginBottom: space.m,
      paddingLeft: space.m,
      borderLeftWidth: 3,
      borderColor: colours.saffron,
      gap: space.xs,
    },
    close: { alignSelf: 'flex-start' },
  }),
);

const lines = [
  'The cord is your talk: it parts while somebody hears music, and whoever joins gets one too.',
  'Transfer shows what would ring there before they are sent, and can be taken back.',
  'A tap that slips ends nothing: only the lowest plate does.',
];

/** What one knows by it. */
const act = 'firstCall';

/** The first call of somebody's, and none after it, is told in three lines. */
export function FirstCall() {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const store = useAppStore();
  // Until it is known what they have met, nothing is told that may be old to them.
  const isNew = useAppSelector((state) => state.inbox.isRead && !selectMet(state).includes(act));
  useEffect(
    () => () => {
      if (isNew && selectTaken(store.getState()).length === 0) dispatch(actMet(act));
    },
    [isNew, dispatch, store],
  );
  if (!isNew) return null;
  return (
    <View style={styles.guide} role="note" aria-label="Your first call">
      {lines.map((line) => (
        <Txt key={line} as="small">
          {line}
        </Txt>
      ))}
      <Plate word="Understood" style={styles.close} onPress={() => dispatch(actMet(act))} />
    </View>
  );
}
