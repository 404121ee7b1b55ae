import type { ReactNode } from 'react';
import { StyleSheet, Text, type StyleProp, type TextStyle } from 'react-native';

import { fonts, themed, type Theme } from '../tokens';

const useStyles = themed(({ colours, size }: Theme) => {
  const text = { fontFamily: fonts.text, color: colours.ink };
  return StyleSheet.create({
    /** The name of a screen or of who calls. */
    display: {
      fontFamily: fonts.title,
      fontWeight: '700',
      fontSize: size(40),
      lineHeight: size(44),
      color: colours.ink,
    },
    title: {
      fontFamily: fonts.title,
      fontWeight: '700',
      fontSize: size(26),
      lineHeight: size(30),
      color: colours.ink,
    },
    heading: {
      fontFamily: fonts.title,
      fontWeight: '600',
      fontSize: size(18),
      lineHeight: size(23),
      color: colours.ink,
    },
    body: { ...text, fontSize: size(16), lineHeight: size(22) },
    strong: { ...text, fontWeight: '600', fontSize: size(16), lineHeight: size(22) },
    small: { ...text, fontSize: size(14), lineHeight: size(19), color: colours.faint },
    mono: {
      fontFamily: fonts.mono,
      fontSize: size(13),
      lineHeight: size(19),
      color: colours.ink,
      fontVariant: ['tabular-nums'],
    },
    monoLarge: {
      fontFamily: fonts.mono,
      fontSize: size(20),
      lineHeight: size(26),
      color: colours.ink,
      fontVariant: ['tabular-nums'],
    },
  });
});

export type TxtVariant = keyof ReturnType<typeof useStyles>;

interface TxtProps {
  as?: TxtVariant;
  /** Makes it a heading of that level for those who go by headings. */
  level?: 1 | 2 | 3;
  colour?: string;
  lines?: number;
  style?: StyleProp<TextStyle>;
  children: ReactNode;
}

/** All text of the app. */
export function Txt({ as = 'body', level, colour, lines, style, children }: TxtProps) {
  const styles = useStyles();
  return (
    <Text
      role={level ? 'heading' : undefined}
      aria-level={level}
      numberOfLines={lines}
      style={[styles[as], colour !== undefined && { color: colour }, style]}
    >
      {children}
    </Text>
  );
}
