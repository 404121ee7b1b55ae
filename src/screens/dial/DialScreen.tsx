import { useLocalSearchParams } from 'expo-router';
import { useEffect, useState } from 'react';
import { Platform, ScrollView, StyleSheet, View } from 'react-native';

import { dialTextChanged, useAppDispatch } from '@/state/app';
import { Field } from '@/ui/field';
import { Keypad } from '@/ui/keypad';
import { Row } from '@/ui/list';
import { EmptyState } from '@/ui/notice';
import { Gauge, Initials } from '@/ui/person';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { Columns } from '../shared/Columns';
import { useLayout } from '../shared/useLayout';
import { usePresence } from '../shared/usePresence';
import { PresentedLine } from './PresentedLine';
import { useDial, type Suggestion } from './useDial';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    phone: { flex: 1, minHeight: 0 },
    results: { flex: 1, minHeight: 0 },
    resultsEnd: { flexGrow: 1, justifyContent: 'flex-end' },
    resultsTop: { flexGrow: 1 },
    head: { paddingHorizontal: space.l, paddingTop: space.m, paddingBottom: space.s },
    pad: { borderTopWidth: 1, borderColor: colours.ink, backgroundColor: colours.paper },
    padWide: { flex: 1, borderTopWidth: 0 },
    entry: { paddingHorizontal: space.l, paddingBottom: space.s, gap: space.xs },
    fieldRow: { flexDirection: 'row', gap: space.s, alignItems: 'flex-start' },
    field: { flex: 1 },
    call: {
      padding: space.m,
      paddingHorizontal: space.l,
      backgroundColor: colours.sheet,
      borderTopWidth: 1,
      borderColor: colours.rule,
    },
  }),
);

/** One field for anything, the line the other side will see, the keys, and who may be meant. */
export function DialScreen() {
  const styles = useStyles();
  const { isWide } = useLayout();
  const dial = useDial();
  useLinkedNumber();
  const results = (
    <ScrollView
      tabIndex={0}
      style={styles.results}
      contentContainerStyle={isWide ? styles.resultsTop : styles.resultsEnd}
      role="region"
      aria-label={dial.suggestionsAre === 'recent' ? 'Recent' : 'Found'}
    >
      <View style={styles.head}>
        <Txt as="heading" level={isWide ? 2 : 1}>
          {dial.suggestionsAre === 'recent' ? 'Called or calling lately' : 'Who you may mean'}
        </Txt>
      </View>
      {dial.suggestions.length === 0 ? (
        <EmptyState
          title={dial.suggestionsAre === 'recent' ? 'No calls yet' : 'Nobody found'}
          sentence={
            dial.suggestionsAre === 'recent'
              ? 'Whoever you called last will stand here.'
              : 'No colleague or contact goes by that. A number can be called all the same.'
          }
        />
      ) : null}
      {dial.suggestions.map((suggestion) => (
        <SuggestionRow
          key={`${suggestion.id} ${suggestion.number}`}
          suggestion={suggestion}
          onCall={dial.callThis}
        />
      ))}
    </ScrollView>
  );
  const pad = (
    <View style={[styles.pad, isWide && styles.padWide]}>
      {isWide ? (
        <View style={styles.head}>
          <Txt as="title" level={1}>
            Dial
          </Txt>
        </View>
      ) : null}
      <PresentedLine to={dial.text} />
      <View style={styles.entry}>
        <View style={styles.fieldRow}>
          <View style={styles.field}>
            <Field
              label="Number, extension or name"
              hideLabel
              value={dial.text}
              onChange={dial.change}
              onSubmit={dial.call}
              placeholder="Number, extension or name"
              error={dial.error}
              numeric={/^[\d+*#(]/.test(dial.text)}
              autoFocus={isWide && Platform.OS === 'web'}
            />
          </View>
          {dial.text === '' ? null : <Plate word="Erase" onPress={dial.erase} />}
        </View>
        <View aria-live="polite">
          <Txt as="small">{dial.meaning}</Txt>
        </View>
      </View>
      <Keypad onKey={dial.press} hasPlus />
      <View style={styles.call}>
        <Plate
          kind="answer"
          word={dial.canCall ? `Call ${dial.text}` : 'Call'}
          disabled={!dial.canCall}
          onPress={dial.call}
        />
      </View>
    </View>
  );
  if (isWide) return <Columns list={pad} detail={results} narrow="list" />;
  return (
    <View style={styles.phone}>
      {results}
      {pad}
    </View>
  );
}

function SuggestionRow({ suggestion, onCall }: { suggestion: Suggestion; onCall: (number: string) => void }) {
  const { colours } = useTheme();
  const { gauge, word } = usePresence()(suggestion.id);
  const { name, label, written, number, kind } = suggestion;
  const detail = kind === 'colleague' ? `${written} · ${suggestion.detail ?? ''}` : `${written} · ${label}`;
  return (
    <Row
      title={name}
      detail={detail}
      onPress={() => onCall(number)}
      before={<Initials name={name} />}
      after={
        kind === 'colleague' ? (
          <View style={rowStyles.status}>
            <Gauge state={gauge} />
            <Txt as="small">{word}</Txt>
          </View>
        ) : (
          <Txt as="small" colour={colours.spruce}>
            Call
          </Txt>
        )
      }
    />
  );
}

const rowStyles = StyleSheet.create({ status: { alignItems: 'center' } });

/** A link such as /dial?to=tel:+44… fills the field once; nothing is called without a tap. */
function useLinkedNumber() {
  const { to } = useLocalSearchParams<{ to?: string }>();
  const dispatch = useAppDispatch();
  const [taken, setTaken] = useState<string | undefined>();
  useEffect(() => {
    if (to === undefined || to === taken) return;
    setTaken(to);
    dispatch(dialTextChanged(to));
  }, [to, taken, dispatch]);
}
