import { usePathname } from 'expo-router';
import { useEffect, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';

import { askWords, didWords, type Arrival } from '@/core/inbox/arrivals';
import { arrivalsSeen, selectOffice, useAppDispatch, useAppSelector, useNow } from '@/state/app';
import { selectArrivals } from '@/state/inbox';
import { CordEdge } from '@/ui/cord';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { ThumbGuard } from '@/ui/thumb';
import { space, target, themed } from '@/ui/tokens';

import { ArrivalsSheet } from './ArrivalsSheet';
import { useArrivalAct } from './useArrivalAct';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    strip: {
      flexDirection: 'row',
      alignItems: 'center',
      backgroundColor: colours.sheet,
      borderTopWidth: 2,
      borderColor: colours.saffron,
    },
    press: {
      flex: 1,
      minWidth: 0,
      minHeight: target + 8,
      justifyContent: 'center',
      paddingHorizontal: space.m,
      paddingVertical: space.xs,
    },
    act: { marginRight: space.s },
  }),
);

/** So long something new stands here also where it can be seen anyway. */
const shownMs = 10_000;

/** What came in last while the worker was elsewhere in the app, with what it asks for; a tap on it shows all of it. */
export function ArrivalStrip() {
  const arrivals = useAppSelector(selectArrivals);
  const act = useArrivalAct();
  const [isOpen, setOpen] = useState(false);
  const [playedId, setPlayedId] = useState<string | null>(null);
  // Who is parked stands in the strip of calls.
  const newest = arrivals.findLast(({ kind }) => kind !== 'parked');
  const open = (played: string | null) => {
    setPlayedId(played);
    setOpen(true);
  };
  return (
    <View role="status">
      {newest ? (
        <Strip
          newest={newest}
          further={arrivals.length - 1}
          onOpen={() => open(null)}
          onAct={() => (newest.asks === 'listen' ? open(newest.id) : act(newest))}
        />
      ) : null}
      {isOpen ? <ArrivalsSheet playedId={playedId} onClose={() => setOpen(false)} /> : null}
    </View>
  );
}

interface StripProps {
  newest: Arrival;
  /** So many more wait. */
  further: number;
  onOpen: () => void;
  onAct: () => void;
}

function Strip({ newest, further, onOpen, onAct }: StripProps) {
  const styles = useStyles();
  const line = useAppSelector(selectOffice).ever.lines.get(newest.lineId ?? '');
  useSeenAtHome(newest.at);
  // What is above it has moved, and its act is another.
  useEffect(() => {
    ThumbGuard.screenChanged();
    return () => ThumbGuard.screenChanged();
  }, [newest.id]);
  const { who, words, asks } = newest;
  return (
    <View style={styles.strip}>
      <CordEdge cord={line?.cord ?? null} />
      <Pressable role="button" onPress={onOpen} style={styles.press}>
        <Txt as="strong" lines={1}>
          {`${who.name} ${didWords(newest)}`}
        </Txt>
        <Txt as="small" lines={1}>
          {[further > 0 ? `${further} more` : '', words ? `“${words}”` : (line?.name ?? '')]
            .filter(Boolean)
            .join(' · ') || 'What came in'}
        </Txt>
      </Pressable>
      <Plate
        word={askWords[asks]}
        label={`${askWords[asks]}: ${who.name}`}
        style={styles.act}
        onPress={onAct}
      />
    </View>
  );
}

/** Among the loose ends all of it can be seen, so that nothing is told there for long. */
function useSeenAtHome(newestAt: number): void {
  const dispatch = useAppDispatch();
  const now = useNow();
  const isSeen = usePathname() === '/' && document.visibilityState === 'visible' && now - newestAt >= shownMs;
  useEffect(() => {
    if (isSeen) dispatch(arrivalsSeen(now + 1));
  }, [isSeen, now, dispatch]);
}
