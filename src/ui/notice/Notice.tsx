import { StyleSheet, View } from 'react-native';

import { Plate } from '../plate';
import { Txt } from '../text';
import { space, themed, useTheme } from '../tokens';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    notice: {
      flexDirection: 'row',
      flexWrap: 'wrap',
      alignItems: 'center',
      gap: space.m,
      paddingHorizontal: space.l,
      paddingVertical: space.s,
      backgroundColor: colours.sheet,
      borderBottomWidth: 1,
      borderLeftWidth: 6,
      borderColor: colours.rule,
    },
    sentence: { flexGrow: 1, flexShrink: 1, flexBasis: 160 },
    // Both acts stand under it where there is no room beside it.
    ofTwo: { flexBasis: 280 },
  }),
);

interface NoticeProps {
  sentence: string;
  tone?: 'attention' | 'alarm';
  action?: { word: string; label?: string; onPress: () => void };
  /** What is done instead of it. */
  otherwise?: { word: string; onPress: () => void };
}

/** Something the worker has to know, with what there is to do about it. */
export function Notice({ sentence, tone = 'attention', action, otherwise }: NoticeProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  return (
    <View
      role={tone === 'alarm' ? 'alert' : 'status'}
      style={[styles.notice, { borderLeftColor: tone === 'alarm' ? colours.rowan : colours.saffron }]}
    >
      <Txt as="small" colour={colours.ink} style={[styles.sentence, otherwise && styles.ofTwo]}>
        {sentence}
      </Txt>
      {action ? <Plate {...action} /> : null}
      {otherwise ? <Plate {...otherwise} /> : null}
    </View>
  );
}
