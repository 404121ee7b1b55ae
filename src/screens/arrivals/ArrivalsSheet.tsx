import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { askWords, didWords, type Arrival } from '@/core/inbox/arrivals';
import { formatDayAndClock } from '@/core/shared/time';
import { arrivalsSeen, selectOffice, selectZone, useAppDispatch, useAppSelector, useNow } from '@/state/app';
import { selectArrivals } from '@/state/inbox';
import { CordEdge } from '@/ui/cord';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { VoicemailPlayer } from '../looseEnds/VoicemailPlayer';
import { useArrivalAct } from './useArrivalAct';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    row: {
      flexDirection: 'row',
      gap: space.m,
      paddingRight: space.m,
      backgroundColor: colours.sheet,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    body: { flex: 1, minWidth: 0, paddingVertical: space.m, gap: space.s },
    top: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.m },
    words: { flexGrow: 1, flexShrink: 1, flexBasis: 160, minWidth: 0 },
    grow: { flex: 1 },
  }),
);

interface ArrivalsSheetProps {
  /** The voicemail that is to be heard at once. */
  playedId: string | null;
  onClose: () => void;
}

/** All that has come in since the worker last looked, the last on top, each with what it asks for. */
export function ArrivalsSheet({ playedId, onClose }: ArrivalsSheetProps) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const act = useArrivalAct();
  const now = useNow();
  const arrivals = useAppSelector(selectArrivals);
  // What is heard here has been heard, and does not leave under the thumb.
  const [played, setPlayed] = useState(arrivals.find(({ id }) => id === playedId) ?? null);
  const shown =
    played && !arrivals.some(({ id }) => id === played.id)
      ? [...arrivals, played].sort((a, b) => a.at - b.at)
      : arrivals;
  return (
    <Sheet
      title="What came in"
      onClose={onClose}
      foot={
        arrivals.some(({ kind }) => kind !== 'parked') ? (
          <Plate
            kind="main"
            word="All seen"
            style={styles.grow}
            onPress={() => {
              dispatch(arrivalsSeen(now + 1));
              onClose();
            }}
          />
        ) : null
      }
    >
      {shown.length === 0 ? <Txt>Nothing waits here any more.</Txt> : null}
      <View role="list" aria-label="What came in">
        {shown.toReversed().map((arrival) => (
          <ArrivalRow
            key={arrival.id}
            arrival={arrival}
            isPlayed={arrival.id === played?.id}
            onAct={() => {
              if (arrival.asks === 'listen') return setPlayed(arrival);
              onClose();
              act(arrival);
            }}
          />
        ))}
      </View>
    </Sheet>
  );
}

interface ArrivalRowProps {
  arrival: Arrival;
  isPlayed: boolean;
  onAct: () => void;
}

function ArrivalRow({ arrival, isPlayed, onAct }: ArrivalRowProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const now = useNow(60_000);
  const zone = useAppSelector(selectZone);
  const line = useAppSelector(selectOffice).ever.lines.get(arrival.lineId ?? '');
  const voicemail = useAppSelector((state) => state.inbox.kept.voicemails[arrival.id]);
  const { who, words, asks, at } = arrival;
  return (
    <View role="listitem" aria-label={who.name} style={styles.row}>
      <CordEdge cord={line?.cord ?? null} />
      <View style={styles.body}>
        <View style={styles.top}>
          <View style={styles.words}>
            <Txt as="strong" lines={2}>
              {who.name}
            </Txt>
            <Txt as="small">{[didWords(arrival), line?.name ?? ''].filter(Boolean).join(' · ')}</Txt>
            <Txt as="mono" colour={colours.faint}>
              {formatDayAndClock(at, now, zone)}
            </Txt>
          </View>
          {isPlayed ? null : (
            <Plate word={askWords[asks]} label={`${askWords[asks]}: ${who.name}`} onPress={onAct} />
          )}
        </View>
        {isPlayed && voicemail ? <VoicemailPlayer voicemail={voicemail} playsAtOnce isWhole={false} /> : null}
        {words && !isPlayed ? <Txt lines={3}>{`“${words}”`}</Txt> : null}
      </View>
    </View>
  );
}
