import { ScrollView, StyleSheet, View } from 'react-native';
import Svg, { Defs, Line, Pattern, Rect } from 'react-native-svg';

import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { fetchBooksPanel, fetchReceived, fetchTeamWork, fetchTextIn } from '../looseEnds/fetchInboxScreens';
import { LaterScreen } from '../shared/LaterScreen';
import { useLayout } from '../shared/useLayout';
import { CallIn } from './CallIn';
import { ColleaguePlans } from './ColleaguePlans';
import { ClockPanel } from './ClockPanel';
import { FaxIn } from './FaxIn';
import { LivePhones } from './LivePhones';
import { NetworkPanel } from './NetworkPanel';
import { QueueColleagues } from './QueueColleagues';
import { Scripts } from './Scripts';
import { ScreenTitle } from '../shared/ScreenTitle';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    room: { flex: 1, flexDirection: 'row', minHeight: 0 },
    hatch: { width: 14 },
    scroll: { flex: 1 },
    body: { padding: space.l, gap: space.xl },
    columns: { flexDirection: 'row', gap: space.xxl, alignItems: 'flex-start' },
    stack: { gap: space.xl },
    column: { flex: 1, gap: space.xl, minWidth: 0 },
    edge: { borderRightWidth: 1, borderColor: colours.edge },
  }),
);

/** Another room: everybody and everything that is not the app, played by stand-ins. */
export function OutsideScreen() {
  const styles = useStyles();
  const { colours } = useTheme();
  const { isWide } = useLayout();
  return (
    <View style={styles.room}>
      <Hatch />
      <ScrollView style={styles.scroll} contentContainerStyle={styles.body}>
        <View>
          <ScreenTitle>Outside</ScreenTitle>
          <Txt colour={colours.faint}>Not part of the app: here you play everybody else.</Txt>
        </View>
        <View style={isWide ? styles.columns : styles.stack}>
          <View style={isWide ? styles.column : styles.stack}>
            <CallIn />
            <LaterScreen title="Text in" fetch={fetchTextIn} />
            <FaxIn />
            <LaterScreen title="The team" fetch={fetchTeamWork} />
            <ClockPanel />
            <NetworkPanel />
          </View>
          <View style={isWide ? styles.column : styles.stack}>
            <LivePhones />
            <Scripts />
            <ColleaguePlans />
            <QueueColleagues />
            <LaterScreen title="Address books" fetch={fetchBooksPanel} />
            <LaterScreen title="Mail and programs" fetch={fetchReceived} />
          </View>
        </View>
      </ScrollView>
    </View>
  );
}

function Hatch() {
  const styles = useStyles();
  const { colours } = useTheme();
  return (
    <View style={[styles.hatch, styles.edge]} aria-hidden>
      <Svg width="100%" height="100%">
        <Defs>
          <Pattern
            id="hatch"
            width={10}
            height={10}
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <Line x1={0} y1={0} x2={0} y2={10} stroke={colours.edge} strokeWidth={4} />
          </Pattern>
        </Defs>
        <Rect width="100%" height="100%" fill="url(#hatch)" />
      </Svg>
    </View>
  );
}
