import type { ReactNode } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import { selectWrite, selectOffice, useAppSelector } from '@/state/app';
import { selectMay, selectRunsOffice } from '@/state/configuration';
import { isOutsidePlayed } from '@/state/offices';
import { CordEdge, strokeNames } from '@/ui/cord';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { QueuesNow } from '../queues/QueuesNow';
import { Columns } from '../shared/Columns';
import { ToldWhenAway } from '../shared/ToldWhenAway';
import { useGo } from '../shared/useGo';
import { useLayout } from '../shared/useLayout';
import { HabitsPart } from './HabitsPart';
import { OnDevicePart } from './OnDevicePart';
import { OfficesPart } from './OfficesPart';
import { PartsList, sizeWords } from './PartsList';
import { PlacesList } from './PlacesList';
import { RecordingPart } from './RecordingPart';
import { usePartInView } from './usePartInView';
import { ScreenTitle } from '../shared/ScreenTitle';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1 },
    body: { padding: space.l, gap: space.xl, maxWidth: 640 },
    section: { gap: space.s },
    line: {
      flexDirection: 'row',
      minHeight: 56,
      backgroundColor: colours.sheet,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    words: { flex: 1, paddingHorizontal: space.m, justifyContent: 'center' },
  }),
);

/** The office: its parts for whoever runs it, its lines for everybody else, how this device looks, and the door to Outside. */
export function OfficeScreen() {
  const write = useAppSelector(selectWrite);
  const styles = useStyles();
  const { colours } = useTheme();
  const go = useGo();
  const office = useAppSelector(selectOffice);
  const runs = useAppSelector(selectRunsOffice);
  const seesFigures = useAppSelector((state) => selectMay(state, 'seeFigures'));
  const { isWide } = useLayout();
  usePartInView();
  const parts = (
    <>
      <View>
        <ScreenTitle>{office.setup.name}</ScreenTitle>
        <Txt colour={colours.faint}>{sizeWords(office.setup)}</Txt>
      </View>
      {runs ? <QueuesNow /> : null}
      {runs ? <PartsList /> : null}
      {seesFigures && !runs ? (
        <View style={styles.section}>
          <Txt as="heading" level={2}>
            Figures
          </Txt>
          <Txt colour={colours.faint}>How everybody’s calls went.</Txt>
          <Plate word="See the figures" onPress={() => go.officePart('figures')} />
        </View>
      ) : null}
      {runs ? null : (
        <View style={styles.section}>
          <Txt as="heading" level={2}>
            Lines and their cords
          </Txt>
          <View role="list">
            {office.setup.lines.map((line) => (
              <View key={line.id} role="listitem" style={styles.line}>
                <CordEdge cord={line.cord} width={10} />
                <View style={styles.words}>
                  <Txt as="strong">{line.name}</Txt>
                  <Txt as="small">
                    {write(line.number)} · {strokeNames[line.cord.stroke]}
                    {line.urgent ? ' · urgent' : ''}
                  </Txt>
                </View>
              </View>
            ))}
          </View>
        </View>
      )}
    </>
  );
  const others = (
    <>
      {isOutsidePlayed() ? (
        <View style={styles.section}>
          <Txt as="heading" level={2}>
            Outside
          </Txt>
          <Txt colour={colours.faint}>
            The stand-ins: be a caller, a desk phone or a colleague, and set the clock.
          </Txt>
          <Plate kind="main" word="Go outside" onPress={go.outside} />
        </View>
      ) : null}
      <PlacesList />
      {runs ? <RecordingPart /> : null}
      <ToldWhenAway />
      <OnDevicePart />
      <OfficesPart />
      <HabitsPart />
    </>
  );
  const scrolled = (children: ReactNode) => (
    <ScrollView style={styles.screen} contentContainerStyle={styles.body} tabIndex={0}>
      {children}
    </ScrollView>
  );
  if (isWide) return <Columns list={scrolled(parts)} detail={scrolled(others)} narrow="list" />;
  return scrolled(
    <>
      {parts}
      {others}
    </>,
  );
}
