import { Link, usePathname } from 'expo-router';
import { memo, useEffect, useState } from 'react';
import { Pressable, StyleSheet, Text, useWindowDimensions, View } from 'react-native';

import { fonts, space, target, themed, useTheme } from '@/ui/tokens';

import { useLinkPress } from '../shared/useLinkPress';
import { isAt, places, type Place } from './places';
import { PlaceIcon } from './PlaceIcon';
import { usePlaceCounts } from './usePlaceCounts';

const useStyles = themed(({ colours, size }) =>
  StyleSheet.create({
    bar: {
      flexDirection: 'row',
      borderTopWidth: 1,
      borderColor: colours.ink,
      backgroundColor: colours.paper,
    },
    place: {
      // Wider for the longer word: none touches the edge or its neighbour.
      flexGrow: 1,
      flexShrink: 1,
      minWidth: 0,
      // The word is read before its count, which stands over it.
      flexDirection: 'column-reverse',
      minHeight: target + 14,
      alignItems: 'center',
      justifyContent: 'center',
      gap: 3,
      paddingTop: 6,
      paddingBottom: 4,
    },
    sign: { flexDirection: 'row', alignItems: 'center', gap: 3 },
    here: { position: 'absolute', top: -1, height: 4, width: 48, backgroundColor: colours.saffron },
    word: {
      fontFamily: fonts.text,
      fontWeight: '600',
      fontSize: Math.min(size(12), 15),
      textAlign: 'center',
    },
    smallWord: { fontSize: 10 },
    rail: { width: 164, backgroundColor: colours.night, paddingTop: space.l },
    name: {
      fontFamily: fonts.title,
      fontWeight: '700',
      fontSize: size(24),
      color: colours.onNight,
      paddingHorizontal: space.l,
      marginBottom: space.l,
    },
    railPlace: {
      minHeight: target,
      flexDirection: 'row',
      alignItems: 'center',
      gap: space.m,
      paddingHorizontal: space.m,
      borderLeftWidth: 4,
      borderColor: 'transparent',
    },
    railHere: { borderColor: colours.saffron },
    slimRail: { width: 96, justifyContent: 'center', backgroundColor: colours.night },
    slimPlace: {
      flexDirection: 'column-reverse',
      alignItems: 'center',
      justifyContent: 'center',
      gap: 3,
      flexShrink: 1,
      minHeight: target,
      maxHeight: 72,
      flexGrow: 1,
      borderLeftWidth: 4,
      borderColor: 'transparent',
    },
    railWord: { fontFamily: fonts.text, fontWeight: '600', fontSize: Math.min(size(15), 19), flexShrink: 1 },
  }),
);

/** A phone's window enlarged to twice the size is narrower than that. */
const narrowest = 260;

interface PlaceBarProps {
  /** A bar under the thumb on a phone; a slim rail where it is held across; a rail on a wide screen. */
  form: 'bar' | 'slimRail' | 'rail';
}
type Counts = ReturnType<typeof usePlaceCounts>;

/** Before anybody is signed in nothing waits anywhere. */
const noCounts: Counts = { '/': 0, '/dial': 0, '/plan': 0, '/directory': 0, '/office': 0 };

const comesWithinMs = 3000;

/** The five places, with what waits in each. */
export function PlaceBar({ form }: PlaceBarProps) {
  return <Places form={form} counts={usePlaceCounts()} />;
}

/** The five places. */
export function Places({ form, counts = noCounts }: PlaceBarProps & { counts?: Counts }) {
  const styles = useStyles();
  const pathname = usePathname();
  // The place that was tapped is marked before its screen is there.
  const [going, setGoing] = useState<string | null>(null);
  useEffect(() => setGoing(null), [pathname]);
  // Where nothing led there after all, the mark says where the worker is.
  useEffect(() => {
    if (going === null) return;
    const timer = setTimeout(() => setGoing(null), comesWithinMs);
    return () => clearTimeout(timer);
  }, [going]);
  const waiting = counts['/'];
  useEffect(() => {
    document.title = waiting > 0 ? `(${waiting}) Cendro` : 'Cendro';
  }, [waiting]);
  const isNarrow = useWindowDimensions().width < narrowest;
  return (
    <View
      role="navigation"
      aria-label="Places"
      style={form === 'rail' ? styles.rail : form === 'slimRail' ? styles.slimRail : styles.bar}
    >
      {form === 'rail' ? <Text style={styles.name}>Cendro</Text> : null}
      {places.map((place) => (
        <PlaceLink
          key={place.path}
          place={place}
          form={form}
          isHere={isAt(place, going ?? pathname)}
          isNarrow={isNarrow}
          count={counts[place.path]}
          // What the call was opened from lies under it as it was left.
          dismisses={pathname === '/call'}
          onGo={setGoing}
        />
      ))}
    </View>
  );
}

interface PlaceLinkProps extends PlaceBarProps {
  place: Place;
  isHere: boolean;
  isNarrow: boolean;
  /** What waits there. */
  count: number;
  dismisses: boolean;
  onGo: (path: Place['path']) => void;
}

/** One place; drawn again only where something of its own has changed, since every tap waits for it. */
const PlaceLink = memo(function PlaceLink({
  place,
  form,
  isHere,
  isNarrow,
  count,
  dismisses,
  onGo,
}: PlaceLinkProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const press = useLinkPress();
  const asRail = form === 'rail';
  const [ink, faint] =
    form === 'bar' ? [colours.ink, colours.faint] : [colours.onNight, colours.faintOnNight];
  const colour = isHere ? ink : faint;
  return (
    <Link
      href={place.path}
      dismissTo={dismisses}
      onPress={(event) => {
        if (press(event, place.path, dismisses)) onGo(place.path);
      }}
      aria-current={isHere ? 'page' : undefined}
      asChild
    >
      <Pressable
        style={
          form === 'bar'
            ? styles.place
            : StyleSheet.flatten([asRail ? styles.railPlace : styles.slimPlace, isHere && styles.railHere])
        }
      >
        {form === 'bar' && isHere ? <View style={styles.here} /> : null}
        {asRail ? (
          <>
            <PlaceIcon path={place.path} colour={colour} />
            <Text style={[styles.railWord, { color: colour }]}>
              {count > 0 ? `${place.word} ${count}` : place.word}
            </Text>
          </>
        ) : (
          <>
            <Text style={[styles.word, isNarrow && styles.smallWord, { color: colour }]}>{place.word}</Text>
            <View style={styles.sign}>
              <PlaceIcon path={place.path} colour={colour} />
              {count > 0 ? <Text style={[styles.word, { color: colour }]}>{count}</Text> : null}
            </View>
          </>
        )}
      </Pressable>
    </Link>
  );
});
