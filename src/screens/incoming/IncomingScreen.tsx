import { ScrollView, StyleSheet, View } from 'react-native';

import type { CallView } from '@/state/app';
import { CordEdge } from '@/ui/cord';
import { Plate } from '@/ui/plate';
import { RingScale } from '@/ui/scale';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { OtherAnswers } from './OtherAnswers';
import { useIncoming } from './useIncoming';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1, backgroundColor: colours.night },
    facts: { padding: space.l, gap: space.l },
    fact: { borderTopWidth: 1, borderColor: colours.nightEdge, paddingTop: space.m },
    acts: { padding: space.l, gap: space.m, borderTopWidth: 1, borderColor: colours.nightEdge },
    decide: { flexDirection: 'row', justifyContent: 'space-between', gap: 56 },
    refuse: { width: 108 },
    answer: { flex: 1 },
    top: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline', gap: space.m },
    line: { flexShrink: 1 },
    name: { marginTop: space.m },
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
  const call = useIncoming(view);
  return (
    <View role="main" style={styles.screen}>
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
          <Txt as="display" level={1} colour={colours.onNight} style={styles.name}>
            {call.name}
          </Txt>
          <Txt as="monoLarge" colour={colours.faintOnNight}>
            {call.number ?? call.detail}
          </Txt>
        </View>
        {call.returnedWords ? (
          <View style={styles.fact}>
            <Txt as="strong" colour={colours.onNight}>
              {call.returnedWords}
            </Txt>
          </View>
        ) : null}
        {call.tries ? (
          <View style={styles.fact}>
            <Txt colour={colours.onNight}>{call.tries}</Txt>
          </View>
        ) : null}
        {alsoCalling.map(({ id, others, line }) => (
          <View key={id} style={styles.fact}>
            <Txt colour={colours.onNight}>
              Also calling: {others[0]?.name ?? 'somebody'}
              {line ? ` on ${line.name}` : ''}
            </Txt>
          </View>
        ))}
        <View style={styles.fact}>
          <RingScale
            tracks={call.tracks}
            totalSeconds={call.totalSeconds}
            nowSeconds={call.nowSeconds}
            finish={call.finish}
            onNight
          />
        </View>
        <View style={styles.fact} role="region" aria-label="Why it rings">
          {call.why.map((sentence) => (
            <Txt key={sentence} as="small" colour={colours.faintOnNight}>
              {sentence}
            </Txt>
          ))}
        </View>
      </ScrollView>
      <View style={styles.acts}>
        <OtherAnswers view={view} silence={call} />
        <View style={styles.decide}>
          <Plate kind="end" large word="Refuse" onPress={call.refuse} style={styles.refuse} />
          <Plate kind="answer" large word="Answer" onPress={() => void call.answer()} style={styles.answer} />
        </View>
      </View>
    </View>
  );
}
