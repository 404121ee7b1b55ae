import type { ReactNode } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';
import { ScreenTitle } from './ScreenTitle';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1, minHeight: 0 },
    scroll: { flex: 1, minHeight: 0 },
    head: { padding: space.l, gap: space.m, borderBottomWidth: 1, borderColor: colours.ink },
    foot: {
      gap: space.s,
      padding: space.m,
      backgroundColor: colours.paper,
      borderTopWidth: 1,
      borderColor: colours.ink,
    },
    plates: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  }),
);

interface ListScreenProps {
  title: string;
  /** A sentence under the title. */
  about?: string;
  /** How the list is narrowed down; it scrolls along. */
  head?: ReactNode;
  /** The list itself, or what is said in its place. */
  children: ReactNode;
  /** A field that stays above the plates. */
  entry?: ReactNode;
  /** Plates that stay under the thumb. */
  foot: ReactNode;
}

/** A list under its title, with what stays under the thumb below it. */
export function ListScreen({ title, about, head, children, entry, foot }: ListScreenProps) {
  const styles = useStyles();
  return (
    <View style={styles.screen}>
      <ScrollView style={styles.scroll} tabIndex={0}>
        <View style={styles.head}>
          <View>
            <ScreenTitle>{title}</ScreenTitle>
            {about === undefined ? null : <Txt as="small">{about}</Txt>}
          </View>
          {head}
        </View>
        {children}
      </ScrollView>
      <View style={styles.foot}>
        {entry}
        <View style={styles.plates}>{foot}</View>
      </View>
    </View>
  );
}
