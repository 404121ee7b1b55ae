import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';

import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { HelpMark } from './HelpMark';

/** The name of a screen, with the mark that tells what it is for. */
export function ScreenTitle({ children }: { children: ReactNode }) {
  return (
    <View style={styles.line}>
      <Txt as="title" level={1} style={styles.title}>
        {children}
      </Txt>
      <HelpMark />
    </View>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'flex-start', gap: space.m, flexShrink: 1, minWidth: 0 },
  title: { flexShrink: 1, minWidth: 0 },
});
