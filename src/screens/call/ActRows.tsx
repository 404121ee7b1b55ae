import { Pressable, StyleSheet, View, type ViewStyle } from 'react-native';

import { LeverSign } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, target, themed, useTheme } from '@/ui/tokens';

import { useLayout } from '../shared/useLayout';

export interface CallAct {
  word: string;
  onPress: () => void;
  disabled?: boolean;
  /** For what is on or off: a lever stands under the word. */
  isOn?: boolean;
}

export interface ActGroup {
  name: string;
  acts: readonly CallAct[];
  /** What one of them does, until it has been used. */
  hint?: string;
}

const useStyles = themed(({ colours, size }) =>
  StyleSheet.create({
    rows: { borderTopWidth: 1, borderColor: colours.ink, backgroundColor: colours.sheet },
    ruled: { borderBottomWidth: 1, borderColor: colours.rule },
    group: { flexDirection: 'row' },
    hint: { paddingHorizontal: space.l, paddingBottom: space.s },
    name: { width: 84, paddingLeft: space.l, justifyContent: 'center' },
    /** With the room that the names leave. */
    roomy: { flexBasis: size(116) },
    acts: { flex: 1, flexDirection: 'row', flexWrap: 'wrap' },
    act: {
      flexGrow: 1,
      // Three in a row, unless large text needs more.
      flexBasis: size(92),
      minHeight: target,
      flexDirection: 'row',
      alignItems: 'center',
      alignContent: 'center',
      justifyContent: 'space-between',
      flexWrap: 'wrap',
      paddingHorizontal: space.s + 2,
      borderLeftWidth: 1,
      borderColor: colours.rule,
    },
  }),
);

interface ActRowsProps {
  groups: readonly ActGroup[];
  /** Under which thumb they lie (`useHand`). */
  hand?: ViewStyle | null;
  /** The words alone, so that more of them fit beside each other. */
  isBare?: boolean;
}

/** What can be done with a call, grouped by intention, as words in ruled rows. */
export function ActRows({ groups, hand = null, isBare = false }: ActRowsProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const { isNarrow } = useLayout();
  return (
    <View style={styles.rows}>
      {groups.map(({ name, acts, hint }) => (
        <View key={name} style={styles.ruled}>
          <View role="group" aria-label={name} style={[styles.group, hand]}>
            {isNarrow || isBare ? null : (
              <View style={styles.name} aria-hidden>
                <Txt as="small">{name}</Txt>
              </View>
            )}
            <View style={styles.acts}>
              {acts.map(({ word, onPress, disabled, isOn }) => {
                const ink = disabled ? colours.edge : colours.ink;
                return (
                  <Pressable
                    key={word}
                    role="button"
                    aria-label={word}
                    aria-pressed={isOn}
                    aria-disabled={disabled}
                    disabled={disabled}
                    onPress={onPress}
                    style={({ pressed }) => [
                      styles.act,
                      isBare && styles.roomy,
                      pressed && { backgroundColor: colours.paper },
                    ]}
                  >
                    <Txt as="strong" colour={ink}>
                      {word}
                    </Txt>
                    {isOn === undefined ? null : <LeverSign isOn={isOn} ink={ink} lit={colours.saffron} />}
                  </Pressable>
                );
              })}
            </View>
          </View>
          {hint === undefined ? null : (
            <Txt as="small" style={styles.hint}>
              {hint}
            </Txt>
          )}
        </View>
      ))}
    </View>
  );
}
