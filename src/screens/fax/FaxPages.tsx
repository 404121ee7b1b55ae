import { useState } from 'react';
import { Image, Pressable, StyleSheet, View } from 'react-native';

import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { usePdfPages } from './pdfPages';

const zooms = [1, 1.5, 2, 3, 4];

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    whole: { flex: 1, minHeight: 0 },
    desk: { flex: 1, minHeight: 0, overflow: 'scroll', backgroundColor: colours.rule },
    page: { margin: space.s, backgroundColor: '#FFFFFF', borderWidth: 1, borderColor: colours.edge },
    bar: {
      flexDirection: 'row',
      alignItems: 'center',
      justifyContent: 'center',
      gap: space.m,
      padding: space.s,
      backgroundColor: colours.paper,
      borderTopWidth: 1,
      borderColor: colours.ink,
    },
    zoom: { minWidth: 64, textAlign: 'center' },
  }),
);

interface FaxPagesProps {
  pdf: Uint8Array | null;
  title: string;
}

/** The pages of a fax under each other, as near as one wants them: by the plates, or by a tap on the page. */
export function FaxPages({ pdf, title }: FaxPagesProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const [tries, setTries] = useState(0);
  const [room, setRoom] = useState(0);
  const [zoom, setZoom] = useState(0);
  const drawn = usePdfPages(pdf, tries);
  if (drawn.state === 'failed')
    return (
      <EmptyState title="The pages can’t be drawn now" sentence="They are kept, and can be saved as a PDF.">
        <Plate kind="main" word="Try again" onPress={() => setTries(tries + 1)} />
      </EmptyState>
    );
  if (drawn.state === 'drawing')
    return <EmptyState title="Drawing the pages" sentence="They are unpacked on this device." />;
  const factor = zooms[zoom] ?? 1;
  const width = Math.max(0, room - 2 * space.s) * factor;
  return (
    <View style={styles.whole}>
      <View
        role="region"
        aria-label={`Pages of ${title}`}
        tabIndex={0}
        style={styles.desk}
        onLayout={({ nativeEvent }) => setRoom(nativeEvent.layout.width)}
      >
        {drawn.pages.map((page, index) => (
          <Pressable
            key={page.url}
            role="img"
            aria-label={`Page ${index + 1} of ${drawn.pages.length}`}
            tabIndex={-1}
            onPress={() => setZoom(zoom === 0 ? 2 : 0)}
            style={[styles.page, { width, height: (width * page.height) / page.width }]}
          >
            <Image
              aria-hidden
              source={{ uri: page.url }}
              style={{ width: '100%', height: '100%' }}
              resizeMode="stretch"
            />
          </Pressable>
        ))}
      </View>
      <View style={styles.bar} role="group" aria-label="Size of the pages">
        <Plate word="Further" disabled={zoom === 0} onPress={() => setZoom(zoom - 1)} />
        <Txt as="mono" colour={colours.faint} style={styles.zoom}>
          {`${Math.round(factor * 100)} %`}
        </Txt>
        <Plate word="Nearer" disabled={zoom === zooms.length - 1} onPress={() => setZoom(zoom + 1)} />
      </View>
    </View>
  );
}
