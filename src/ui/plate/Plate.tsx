import { Pressable, StyleSheet, Text, type StyleProp, type ViewStyle } from 'react-native';

import { corner, fonts, space, target, themed, useTheme, type Colours } from '../tokens';
import { LeverSign } from './LeverSign';

/** What a plate's act means: the main one, a plain one, taking or ending a call; the night ones lie on dark ground. */
export type PlateKind = 'main' | 'plain' | 'answer' | 'end' | 'night';

const useStyles = themed(({ size }) =>
  StyleSheet.create({
    plate: {
      minHeight: target,
      minWidth: target,
      // Large letters wrap before they run out of the side.
      maxWidth: '100%',
      paddingHorizontal: space.l,
      paddingVertical: space.s,
      borderRadius: corner,
      borderWidth: 1,
      alignItems: 'center',
      justifyContent: 'center',
    },
    large: { minHeight: 72 },
    lever: { flexDirection: 'row', gap: space.s },
    off: { opacity: 0.55 },
    word: {
      fontFamily: fonts.text,
      fontWeight: '600',
      fontSize: size(16),
      lineHeight: size(20),
      textAlign: 'center',
    },
    largeWord: { fontSize: size(20), lineHeight: size(25) },
  }),
);

function coloursOf(kind: PlateKind, colours: Colours) {
  switch (kind) {
    case 'main':
      return { ground: colours.spruce, edge: colours.spruce, word: colours.onSpruce };
    case 'answer':
      return { ground: colours.moss, edge: colours.moss, word: colours.onMoss };
    case 'end':
      return { ground: colours.rowan, edge: colours.rowan, word: colours.onRowan };
    case 'plain':
      return { ground: colours.sheet, edge: colours.edge, word: colours.ink };
    case 'night':
      return { ground: 'transparent', edge: colours.faintOnNight, word: colours.onNight };
  }
}

interface PlateProps {
  word: string;
  onPress: () => void;
  kind?: PlateKind;
  large?: boolean;
  disabled?: boolean;
  /** For what is on or off: a lever stands beside the word. */
  pressed?: boolean;
  /** False where Tab passes it by, since arrow keys lead to it. */
  tabStop?: boolean;
  /** Says more than the word, to those who don't see what is around it. */
  label?: string;
  /** Meant to be tapped again and again, as a step of a count is: see ui/thumb. */
  again?: boolean;
  style?: StyleProp<ViewStyle>;
}

/** A button: a plate with a word that says what will be true afterwards. */
export function Plate({
  word,
  onPress,
  kind = 'plain',
  large,
  disabled,
  pressed,
  tabStop = true,
  label,
  again = false,
  style,
}: PlateProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const { ground, edge, word: ink } = coloursOf(kind, colours);
  return (
    <Pressable
      role="button"
      // A lever's name is read with its state, as it stands there.
      aria-label={pressed === undefined ? (label ?? word) : undefined}
      aria-disabled={disabled}
      aria-pressed={pressed}
      disabled={disabled}
      tabIndex={tabStop ? 0 : -1}
      onPress={onPress}
      {...(again && { dataSet: { again: '' } })}
      style={({ pressed: isHeld }) => [
        styles.plate,
        large && styles.large,
        pressed !== undefined && styles.lever,
        { backgroundColor: ground, borderColor: edge },
        isHeld && { borderColor: colours.saffron },
        disabled && styles.off,
        style,
      ]}
    >
      <Text style={[styles.word, large && styles.largeWord, { color: ink }]}>{word}</Text>
      {pressed === undefined ? null : (
        <>
          <LeverSign isOn={pressed} ink={ink} lit={colours.saffron} />
          <Text style={[styles.word, { color: ink }]}>{pressed ? 'on' : 'off'}</Text>
        </>
      )}
    </Pressable>
  );
}
