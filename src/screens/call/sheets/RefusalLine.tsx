import { useEffect } from 'react';
import { StyleSheet, View } from 'react-native';

import { refusalClosed, useAppDispatch, useAppSelector } from '@/state/app';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({ line: { borderLeftWidth: 4, borderColor: colours.rowan, paddingLeft: space.m } }),
);

/** Why the last act could not be done, in the sheet it was asked in. */
export function RefusalLine() {
  const styles = useStyles();
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const refusal = useAppSelector((state) => state.notices.refusal);
  // What was refused before the sheet opened, or in it once it has closed, is no longer of interest.
  useEffect(() => {
    dispatch(refusalClosed());
    return () => void dispatch(refusalClosed());
  }, [dispatch]);
  if (refusal === null) return null;
  return (
    <View role="alert" style={styles.line}>
      <Txt colour={colours.rowan}>{refusal}</Txt>
    </View>
  );
}
