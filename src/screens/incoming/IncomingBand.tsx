import { StyleSheet, View } from 'react-native';

import { selectTaken, useAppSelector, type CallView } from '@/state/app';
import { CordEdge } from '@/ui/cord';
import { Plate } from '@/ui/plate';
import { RingScale } from '@/ui/scale';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { OtherAnswers } from './OtherAnswers';
import { useIncoming } from './useIncoming';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    band: { backgroundColor: colours.night },
    body: { padding: space.l, gap: space.m },
    acts: { gap: space.s },
    // Refuse stands up here, more than a thumb away from the plates that answer.
    top: { flexDirection: 'row', alignItems: 'flex-start', gap: space.m, marginBottom: space.m },
    who: { flex: 1, minWidth: 0 },
  }),
);

interface IncomingBandProps {
  view: CallView;
  /** In the third column there is room for the seconds too. */
  withScale?: boolean;
}

/** Somebody calls while another call goes on, or on a wide screen: shown without covering anything. */
export function IncomingBand({ view, withScale = false }: IncomingBandProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const call = useIncoming(view);
  const isTalking = useAppSelector((state) => selectTaken(state).some(({ me }) => me.state === 'connected'));
  return (
    <View role="region" aria-label={`Call from ${call.name}`} style={styles.band}>
      <CordEdge cord={view.line?.cord ?? null} run="across" width={10} onNight />
      <View style={styles.body}>
        <View style={styles.top}>
          <View style={styles.who}>
            <Txt as="mono" colour={colours.faintOnNight}>
              {call.lineName} · ringing {call.rungFor}
            </Txt>
            <Txt as="title" level={2} colour={colours.onNight}>
              {call.name}
            </Txt>
            <Txt as="small" colour={colours.faintOnNight}>
              {[call.returnedWords ?? call.number, call.tries].filter(Boolean).join(' · ')}
            </Txt>
          </View>
          <Plate kind="end" word="Refuse" onPress={call.refuse} />
        </View>
        {withScale ? (
          <RingScale
            tracks={call.tracks}
            totalSeconds={call.totalSeconds}
            nowSeconds={call.nowSeconds}
            finish={call.finish}
            onNight
          />
        ) : null}
        <OtherAnswers view={view} />
        <View style={styles.acts}>
          {isTalking ? (
            <>
              <Plate kind="night" word="Answer, end the other" onPress={() => void call.answer('clear')} />
              <Plate kind="answer" word="Answer, hold the other" onPress={() => void call.answer('hold')} />
            </>
          ) : (
            <Plate kind="answer" word="Answer" onPress={() => void call.answer()} />
          )}
        </View>
      </View>
    </View>
  );
}
