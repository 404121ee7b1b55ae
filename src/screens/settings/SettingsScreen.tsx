import { useMemo, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import { plainly } from '@/core/shared/textSearch';
import { Field } from '@/ui/field';
import { Row } from '@/ui/list';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { useGo } from '../shared/useGo';
import { useChoices, type ChoiceEntry, type ChoiceOf } from './useChoices';
import { ScreenTitle } from '../shared/ScreenTitle';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1 },
    body: { padding: space.l, gap: space.l, maxWidth: 640 },
    part: { gap: space.xs },
    list: { borderTopWidth: 1, borderColor: colours.ink },
    start: { alignSelf: 'flex-start' },
  }),
);

const parts: readonly { of: ChoiceOf; title: string; sentence: string }[] = [
  { of: 'person', title: 'Yours', sentence: 'Goes with you to all your devices.' },
  { of: 'device', title: 'Of this device', sentence: 'Stays on this device.' },
  { of: 'office', title: 'Of the office', sentence: 'For everybody in it.' },
];

const isFound = (wanted: readonly string[], { title, reading, words }: ChoiceEntry) => {
  const text = plainly(`${title} ${reading} ${words}`);
  return wanted.every((word) => text.includes(word));
};

/** All that can be chosen, in one list that can be searched; each leads to where its effect is. */
export function SettingsScreen() {
  const styles = useStyles();
  const { colours } = useTheme();
  const go = useGo();
  const choices = useChoices();
  const [typed, setTyped] = useState('');
  const wanted = useMemo(() => plainly(typed).split(/\s+/).filter(Boolean), [typed]);
  const found = choices.filter((choice) => isFound(wanted, choice));
  return (
    <ScrollView style={styles.screen} contentContainerStyle={styles.body} tabIndex={0}>
      <View>
        <ScreenTitle>All that can be chosen</ScreenTitle>
        <Txt colour={colours.faint}>Each is changed where its effect is; from here one gets there.</Txt>
      </View>
      <Field label="Look for" value={typed} onChange={setTyped} placeholder="noise, meeting, PIN …" />
      <View role="status">
        <Txt as="small">
          {found.length === 1 ? 'One' : found.length} of {choices.length}
        </Txt>
      </View>
      {found.length === 0 ? (
        <EmptyState title="Nothing goes by that" sentence="Try another word, or fewer of them.">
          <Plate word="Show all" onPress={() => setTyped('')} />
        </EmptyState>
      ) : null}
      {parts.map(({ of, title, sentence }) => {
        const mine = found.filter((choice) => choice.of === of);
        if (mine.length === 0) return null;
        return (
          <View key={of} style={styles.part} role="region" aria-label={title}>
            <Txt as="heading" level={2}>
              {title}
            </Txt>
            <Txt as="small">{sentence}</Txt>
            <View style={styles.list} role="list">
              {mine.map((choice) => (
                <View key={choice.title} role="listitem">
                  <Row title={choice.title} detail={choice.reading} onPress={choice.open} />
                </View>
              ))}
            </View>
          </View>
        );
      })}
      <Plate word="Office" style={styles.start} onPress={go.office} />
    </ScrollView>
  );
}
