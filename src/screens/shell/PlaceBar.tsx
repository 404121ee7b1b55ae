import { Link, usePathname } from 'expo-router';
import { useEffect } from 'react';
import { Pressable, StyleSheet, Text, useWindowDimensions, View } from 'react-native';

import { fonts, space, target, themed, useTheme } from '@/ui/tokens';

import { isAt, places } from './places';
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

/** The five places. */
export function PlaceBar({ form }: PlaceBarProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const pathname = usePathname();
  const counts = usePlaceCounts();
  const waiting = counts['/'];
  useEffect(() => {
    document.title = waiting > 0 ? `(${waiting}) Cendro` : 'Cendro';
  }, [waiting]);
  const isNarrow = useWindowDimensions().width < narrowest;
  const asRail = form === 'rail';
  const isSlim = form === 'slimRail';
  const [ink, faint] =
    asRail || isSlim ? [colours.onNight, colours.faintOnNight] : [colours.ink, colours.faint];
  return (
    <View
      role="navigation"
      aria-label="Places"
      style={asRail ? styles.rail : isSlim ? styles.slimRail : styles.bar}
    >
      {asRail ? <Text style={styles.name}>Cendro</Text> : null}
      {places.map((place) => {
        const isHere = isAt(place, pathname);
        const colour = isHere ? ink : faint;
        const count = counts[place.path];
        return (
          <Link
            key={place.path}
            href={place.path}
            // What the call was opened from lies under it as it was left.
            dismissTo={pathname === '/call'}
            aria-current={isHere ? 'page' : undefined}
            asChild
          >
            <Pressable
              style={
                form === 'bar'
                  ? styles.place
                  : StyleSheet.flatten([
                      asRail ? styles.railPlace : styles.slimPlace,
                      isHere && styles.railHere,
                    ])
              }
            >
              {form === 'bar' && isHere ? <Pressable style={styles.here} /> : null}
              {asRail ? (
                <>
                  <PlaceIcon path={place.path} colour={colour} />
                  <Text style={[styles.railWord, { color: colour }]}>
                    {count > 0 ? `${place.word} ${count}` : place.word}
                  </Text>
                </>
              ) : (
                <>
                  <Text style={[styles.word, isNarrow && styles.smallWord, { color: colour }]}>
                    {place.word}
                  </Text>
                  <View style={styles.sign}>
                    <PlaceIcon path={place.path} colour={colour} />
                    {count > 0 ? <Text style={[styles.word, { color: colour }]}>{count}</Text> : null}
                  </View>
                </>
              )}
            </Pressable>
          </Link>
        );
      })}
    </View>
  );
}
