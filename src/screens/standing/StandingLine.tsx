import { Pressable, StyleSheet, View } from 'react-native';

import { selectMyId, selectMyStanding, selectOffice, useAppSelector, useNow } from '@/state/app';
import { Txt } from '@/ui/text';
import { corner, space, target, themed, useTheme } from '@/ui/tokens';

import { useGo } from '../shared/useGo';
import { ringsNow, standingWords } from './standingWords';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    line: {
      minHeight: target,
      flexDirection: 'row',
      alignItems: 'center',
      gap: space.m,
      paddingHorizontal: space.m,
      paddingVertical: space.s,
      borderWidth: 1,
      borderRadius: corner,
      borderColor: colours.edge,
      backgroundColor: colours.sheet,
    },
    words: { flex: 1, minWidth: 0 },
  }),
);

/** One sentence of where I stand and what rings now; a tap changes it. */
export function StandingLine() {
  const styles = useStyles();
  const { colours } = useTheme();
  const go = useGo();
  const office = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const now = useNow(60_000);
  const standing = useAppSelector((state) => selectMyStanding(state, now));
  const lineId = office.setup.lines.find(({ ownerId, urgent }) => ownerId === myId && !urgent)?.id ?? null;
  const words = standingWords(standing, office, now, myId);
  const rings = ringsNow(office, myId, lineId, now);
  return (
    <Pressable
      role="button"
      onPress={go.standing}
      style={({ pressed }) => [styles.line, pressed && { borderColor: colours.saffron }]}
    >
      <View style={styles.words}>
        <Txt as="strong" lines={2}>
          {words}
        </Txt>
        <Txt as="small" lines={1}>
          {standing.forward ? 'nothing rings here' : rings}
        </Txt>
      </View>
      <Txt as="strong" colour={colours.spruce}>
        Change
      </Txt>
    </Pressable>
  );
}
