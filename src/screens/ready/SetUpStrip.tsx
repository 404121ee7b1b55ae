import { StyleSheet, View } from 'react-native';

import { remindedLater, selectMyPlan, useAppDispatch, useAppSelector } from '@/state/app';
import { selectMyPin } from '@/state/access';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { useGo } from '../shared/useGo';

const missingWords = {
  own: 'Your mailbox has no greeting yet',
  given: 'No PIN of your own and no greeting yet',
  none: 'No PIN and no greeting yet',
};
const dayMs = 24 * 60 * 60_000;

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    strip: {
      flexDirection: 'row',
      flexWrap: 'wrap',
      alignItems: 'center',
      gap: space.m,
      paddingHorizontal: space.l,
      paddingVertical: space.s,
      backgroundColor: colours.sheet,
      borderBottomWidth: 1,
      borderColor: colours.ink,
    },
    words: { flexGrow: 1, flexShrink: 1, flexBasis: 180, minWidth: 0 },
  }),
);

/** Until somebody’s mailbox says something of theirs: what is missing, to be done now or a day later. */
export function SetUpStrip({ now }: { now: number }) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const go = useGo();
  const { greetings = [] } = useAppSelector(selectMyPlan);
  const pin = useAppSelector(selectMyPin);
  const from = useAppSelector(({ settings }) => settings.remindedFrom);
  if (greetings.length > 0 || (from !== null && now < from)) return null;
  return (
    <View style={styles.strip} role="region" aria-label="Not set up yet">
      <View style={styles.words}>
        <Txt as="strong">{missingWords[pin]}</Txt>
        <Txt as="small">Callers hear a plain sentence that is nobody’s.</Txt>
      </View>
      <Plate kind="main" word="Set it up" onPress={go.ready} />
      <Plate
        word="Later"
        label="Later: remind me tomorrow to set it up"
        onPress={() => dispatch(remindedLater(now + dayMs))}
      />
    </View>
  );
}
