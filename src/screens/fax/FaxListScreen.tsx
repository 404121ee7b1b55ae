import { ScrollView, StyleSheet, View } from 'react-native';

import { faxWords, type Fax } from '@/core/inbox/fax';
import { formatDayAndClock } from '@/core/shared/time';
import {
  identifyNumber,
  selectFailedFaxes,
  selectOffice,
  selectPeople,
  selectUnreadFaxes,
  selectZone,
  useAppSelector,
  useNow,
} from '@/state/app';
import { selectFaxes } from '@/state/inbox';
import { CordEdge } from '@/ui/cord';
import { Row } from '@/ui/list';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { useGo } from '../shared/useGo';
import { faxesWords } from './faxesWords';
import { ScreenTitle } from '../shared/ScreenTitle';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1, minHeight: 0 },
    scroll: { flex: 1, minHeight: 0 },
    head: { padding: space.l, borderBottomWidth: 1, borderColor: colours.ink },
    foot: {
      flexDirection: 'row',
      gap: space.s,
      padding: space.m,
      backgroundColor: colours.paper,
      borderTopWidth: 1,
      borderColor: colours.ink,
    },
    main: { flex: 1 },
  }),
);

/** All paper that came and went, newest first. */
export function FaxListScreen() {
  const styles = useStyles();
  const go = useGo();
  const faxes = useAppSelector(selectFaxes);
  const isRead = useAppSelector((state) => state.inbox.isRead);
  const unread = useAppSelector(selectUnreadFaxes);
  const failed = useAppSelector(selectFailedFaxes);
  return (
    <View style={styles.screen}>
      <ScrollView style={styles.scroll} tabIndex={0}>
        <View style={styles.head}>
          <ScreenTitle>Faxes</ScreenTitle>
          <Txt as="small">{faxesWords(unread, failed)}</Txt>
        </View>
        {faxes.length === 0 ? (
          <EmptyState
            title={isRead ? 'No faxes yet' : 'Reading the faxes'}
            sentence={isRead ? 'Faxes to your lines appear here.' : 'It is being read from this device.'}
          />
        ) : null}
        <View role="list" aria-label="Faxes">
          {faxes.map((fax) => (
            <View key={fax.id} role="listitem">
              <FaxRow fax={fax} onPress={() => go.fax(fax.id)} />
            </View>
          ))}
        </View>
      </ScrollView>
      <View style={styles.foot}>
        <Plate kind="main" word="Send a fax" style={styles.main} onPress={() => go.newFax(null)} />
        <Plate word="Office" onPress={go.office} />
      </View>
    </View>
  );
}

/** What of a fax wants to be seen to; a failed one keeps it until it is sent again or taken back. */
function markOf({ direction, readAt, state }: Fax): string | null {
  if (direction === 'in') return readAt === null ? 'not read' : null;
  return state === 'failed' ? 'not sent' : null;
}

function FaxRow({ fax, onPress }: { fax: Fax; onPress: () => void }) {
  const { colours } = useTheme();
  const office = useAppSelector(selectOffice);
  const people = useAppSelector(selectPeople);
  const zone = useAppSelector(selectZone);
  const now = useNow(60_000);
  const { name } = identifyNumber(fax.number, null, people);
  const mark = markOf(fax);
  return (
    <Row
      title={`${fax.direction === 'in' ? 'From' : 'To'} ${name}`}
      detail={`${fax.title} · ${faxWords(fax)}`}
      onPress={onPress}
      before={<CordEdge cord={office.ever.lines.get(fax.lineId)?.cord ?? null} width={5} />}
      after={
        <View>
          <Txt as="mono" colour={colours.faint}>
            {formatDayAndClock(fax.at, now, zone)}
          </Txt>
          {mark === null ? null : (
            <Txt as="small" colour={fax.state === 'failed' ? colours.rowan : colours.ink}>
              {mark}
            </Txt>
          )}
        </View>
      }
    />
  );
}
