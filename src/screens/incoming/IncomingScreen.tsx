import { useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import type { CallView } from '@/state/app';
import { CordEdge } from '@/ui/cord';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { KeyHint } from '../shared/KeyHint';
import { useHand } from '../shared/useHand';
import { useLayout } from '../shared/useLayout';
import { IncomingBand } from './IncomingBand';
import { IncomingFacts } from './IncomingFacts';
import { IncomingScale } from './IncomingScale';
import { OtherAnswers } from './OtherAnswers';
import { useIncoming } from './useIncoming';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1, backgroundColor: colours.night },
    facts: { padding: space.l, gap: space.l },
    fact: { borderTopWidth: 1, borderColor: colours.nightEdge, paddingTop: space.m, gap: space.s },
    acts: { padding: space.l, gap: space.m, borderTopWidth: 1, borderColor: colours.nightEdge },
    decide: { flexDirection: 'row', justifyContent: 'space-between', gap: 56 },
    stacked: { gap: space.l },
    refuse: { width: 108, paddingHorizontal: space.s },
    answer: { flex: 1 },
    top: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline', gap: space.m },
    line: { flexShrink: 1 },
    name: { marginTop: space.m },
    whyMore: { alignSelf: 'flex-start' },
    also: { borderTopWidth: 1, borderColor: colours.nightEdge },
  }),
);

interface IncomingScreenProps {
  view: CallView;
  /** Others who ring at the same time. */
  alsoCalling: readonly CallView[];
}

/** Somebody calls and nothing else goes on: who, why, what else rings, and the acts at the bottom edge. */
export function IncomingScreen({ view, alsoCalling }: IncomingScreenProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const { isLow, isNarrowest } = useLayout();
  const call = useIncoming(view);
  const hand = useHand();
  const [showsWhy, setShowsWhy] = useState(false);
  const why = showsWhy ? call.why : call.deciding === null ? [] : [call.deciding];
  const isAlone = alsoCalling.length === 0;
  const refuse = call.isOwnCall ? 'Not now' : 'Refuse';
  const others = (
    <>
      <OtherAnswers view={view} call={call} />
      <Txt as="small" colour={colours.faintOnNight}>{`${refuse}: ${call.refusal}`}</Txt>
    </>
  );
  return (
    <View role="main" tabIndex={-1} style={styles.screen}>
      <CordEdge cord={view.line?.cord ?? null} run="across" width={14} onNight />
      <ScrollView contentContainerStyle={styles.facts} tabIndex={0}>
        <View>
          <View style={styles.top}>
            <Txt colour={colours.onNight} style={styles.line}>
              <Txt as="strong" colour={colours.onNight}>
                {call.lineName}
              </Txt>
              {call.lineNumber ? ` · ${call.lineNumber}` : ''}
            </Txt>
            <Txt as="monoLarge" colour={colours.onNight}>
              {call.rungFor}
            </Txt>
          </View>
          <Txt
            as={isLow || !isAlone ? 'title' : 'display'}
            level={1}
            colour={colours.onNight}
            style={styles.name}
          >
            {call.name}
          </Txt>
          {call.detail && call.detail !== call.number ? (
            <Txt colour={colours.onNight}>{call.detail}</Txt>
          ) : null}
          {call.number === null || call.number === call.name ? null : (
            <Txt as="monoLarge" colour={colours.faintOnNight}>
              {call.number}
            </Txt>
          )}
        </View>
        <IncomingFacts call={call} />
        {call.tracks.length > 0 ? (
          <View style={styles.fact}>
            <IncomingScale call={call} />
          </View>
        ) : null}
        {why.length > 0 ? (
          <View style={styles.fact} role="region" aria-label="Why it rings">
            {why.map((sentence) => (
              <Txt key={sentence} as="small" colour={colours.faintOnNight}>
                {sentence}
              </Txt>
            ))}
            {showsWhy || call.why.length < 2 ? null : (
              <Plate
                kind="night"
                word="Every rule that was tried"
                onPress={() => setShowsWhy(true)}
                style={styles.whyMore}
              />
            )}
          </View>
        ) : null}
        {isLow ? others : null}
        <KeyHint onNight text="A answers, R refuses; while you type, Alt and A, Alt and R" />
      </ScrollView>
      {alsoCalling.map((other) => (
        <View key={other.id} style={styles.also}>
          <IncomingBand view={other} />
        </View>
      ))}
      <View style={styles.acts}>
        {isLow ? null : others}
        <View style={isNarrowest ? styles.stacked : [styles.decide, hand]}>
          <Plate
            kind="end"
            large={!isLow}
            word={refuse}
            label={isAlone ? refuse : `${refuse} ${call.name}`}
            onPress={call.refuse}
            style={!isNarrowest && styles.refuse}
          />
          <Plate
            kind="answer"
            large={!isLow}
            word="Answer"
            label={isAlone ? 'Answer' : `Answer ${call.name}`}
            onPress={() => void call.answer()}
            style={!isNarrowest && styles.answer}
          />
        </View>
      </View>
    </View>
  );
}
