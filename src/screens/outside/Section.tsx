import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';

import { Txt } from '@/ui/text';
import { space, useTheme } from '@/ui/tokens';

interface SectionProps {
  title: string;
  sentence: string;
  children: ReactNode;
}

/** One part of Outside with what it is for. */
export function Section({ title, sentence, children }: SectionProps) {
  const { colours } = useTheme();
  return (
    <View style={styles.section} role="region" aria-label={title}>
      <View>
        <Txt as="heading" level={2}>
          {title}
        </Txt>
        <Txt as="small" colour={colours.faint}>
          {sentence}
        </Txt>
      </View>
      {children}
    </View>
  );
}

const styles = StyleSheet.create({ section: { gap: space.m } });
