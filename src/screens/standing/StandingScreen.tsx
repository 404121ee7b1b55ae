import { ScrollView, StyleSheet, View } from 'react-native';

import { selectMyId, selectMyStanding, selectOffice, useAppSelector, useNow } from '@/state/app';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { useGo } from '../shared/useGo';
import { useLayout } from '../shared/useLayout';
import { AnsweringPart } from './AnsweringPart';
import { DisturbPart } from './DisturbPart';
import { ForwardPart } from './ForwardPart';
import { SituationPart } from './SituationPart';
import { standingWords } from './standingWords';
import { ScreenTitle } from '../shared/ScreenTitle';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    body: { padding: space.l, gap: space.xl },
    columns: { flexDirection: 'row', alignItems: 'flex-start', gap: space.xl },
    stack: { gap: space.xl },
    column: { flex: 1, minWidth: 0, gap: space.xl },
    rule: { borderTopWidth: 1, borderColor: colours.ink, paddingTop: space.l },
  }),
);

/** Where I stand: the situation I am in, whether I may be disturbed, where everything goes meanwhile, and who answers for me. */
export function StandingScreen() {
  const styles = useStyles();
  const go = useGo();
  const { isWide } = useLayout();
  const office = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const now = useNow(60_000);
  const standing = useAppSelector((state) => selectMyStanding(state, now));
  const answering = (
    <View style={styles.rule}>
      <AnsweringPart />
    </View>
  );
  return (
    <ScrollView contentContainerStyle={styles.body} tabIndex={0}>
      <View>
        <Txt as="small">Where I stand</Txt>
        <ScreenTitle>{standingWords(standing, office, now, myId)}</ScreenTitle>
      </View>
      <View style={isWide ? styles.columns : styles.stack}>
        <View style={isWide ? styles.column : undefined}>
          <SituationPart />
          {isWide ? answering : null}
        </View>
        <View style={isWide ? styles.column : styles.stack}>
          <View style={isWide ? undefined : styles.rule}>
            <DisturbPart />
          </View>
          <View style={styles.rule}>
            <ForwardPart />
          </View>
          {isWide ? null : answering}
        </View>
      </View>
      <Plate word="Done, back to Loose ends" onPress={go.loose} />
    </ScrollView>
  );
}
