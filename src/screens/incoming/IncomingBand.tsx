import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { selectIncoming, selectTaken, useAppSelector, type CallView } from '@/state/app';
import { CordEdge } from '@/ui/cord';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { useHand } from '../shared/useHand';
import { IncomingFacts } from './IncomingFacts';
import { IncomingScale } from './IncomingScale';
import { OtherAnswers } from './OtherAnswers';
import { useIncoming } from './useIncoming';

const useStyles = themed(({ colours, size }) =>
  StyleSheet.create({
    band: { backgroundColor: colours.night },
    body: { paddingHorizontal: space.l, paddingVertical: space.s, gap: space.s },
    top: { flexDirection: 'row', alignItems: 'baseline', justifyContent: 'space-between', gap: space.m },
    grow: { flex: 1 },
    acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
    // Refuse stands more than a thumb away from the plate that answers.
    answer: { flexGrow: 1, flexShrink: 1, flexBasis: size(120), paddingHorizontal: space.s },
    apart: { marginLeft: 48 },
    apartLeft: { marginRight: 48 },
    side: { paddingHorizontal: space.m },
  }),
);

interface IncomingBandProps {
  view: CallView;
  /** Everything is in view at once, with the seconds; else who, why and the two acts, the rest behind More. */
  isWhole?: boolean;
}

/** Somebody calls while something else goes on: shown with who and why, and answered or refused, without covering it. */
export function IncomingBand({ view, isWhole = false }: IncomingBandProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const call = useIncoming(view);
  const hand = useHand();
  const [showsMore, setShowsMore] = useState(false);
  const isTalking = useAppSelector((state) => selectTaken(state).some(({ me }) => me.state === 'connected'));
  const hasMore = isWhole || showsMore;
  const answer = isTalking ? 'Answer, hold the other' : 'Answer';
  const refuse = call.isOwnCall ? 'Not now' : 'Refuse';
  // Equal names are told apart by whom they are for.
  const isOnly = useAppSelector((state) => selectIncoming(state).length === 1);
  const named = (word: string) => (isOnly ? word : `${word}: ${call.name}`);
  return (
    <View role="region" aria-label={`Call from ${call.name}`} style={styles.band}>
      <CordEdge cord={view.line?.cord ?? null} run="across" width={10} onNight />
      <View style={styles.body}>
        <View>
          <View style={styles.top}>
            <Txt
              as={isWhole ? 'title' : 'heading'}
              level={2}
              colour={colours.onNight}
              lines={2}
              style={styles.grow}
            >
              {call.name}
            </Txt>
            <Txt as="mono" colour={colours.onNight}>
              {call.rungFor}
            </Txt>
          </View>
          <Txt as="small" colour={colours.faintOnNight} lines={isWhole ? 3 : 1}>
            {[call.lineName, call.detail, isWhole ? call.number : null]
              .filter((part, at, all) => part && part !== call.name && all.indexOf(part) === at)
              .join(' · ')}
          </Txt>
        </View>
        <IncomingFacts call={call} isCompact />
        {isWhole && call.tracks.length > 0 ? <IncomingScale call={call} /> : null}
        {isWhole && call.deciding !== null ? (
          <View role="region" aria-label="Why it rings">
            <Txt as="small" colour={colours.faintOnNight}>
              {call.deciding}
            </Txt>
          </View>
        ) : null}
        {hasMore ? (
          <>
            <OtherAnswers view={view} call={call} isTalking={isTalking} />
            <Txt as="small" colour={colours.faintOnNight}>{`${refuse}: ${call.refusal}`}</Txt>
          </>
        ) : null}
        <View style={[styles.acts, hand]}>
          <Plate kind="end" word={refuse} label={named(refuse)} onPress={call.refuse} style={styles.side} />
          {hasMore ? null : (
            <Plate
              kind="night"
              word="More"
              label={isOnly ? 'More' : `More for ${call.name}`}
              onPress={() => setShowsMore(true)}
              style={styles.side}
            />
          )}
          <Plate
            kind="answer"
            word={answer}
            label={named(answer)}
            onPress={() => void call.answer()}
            style={[styles.answer, hasMore && (hand ? styles.apartLeft : styles.apart)]}
          />
        </View>
      </View>
    </View>
  );
}
