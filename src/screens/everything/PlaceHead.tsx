import { Link, usePathname } from 'expo-router';
import { Pressable, StyleSheet, View } from 'react-native';

import { formatDayAndClock, startOfLocalDay } from '@/core/shared/time';
import { selectMe, selectOffice, selectUnreadInRooms, selectZone, useAppSelector, useNow } from '@/state/app';
import { DayScale } from '@/ui/scale';
import { Txt } from '@/ui/text';
import { space, target, themed, useTheme } from '@/ui/tokens';

import { HelpMark } from '../shared/HelpMark';
import { useLinkPress } from '../shared/useLinkPress';
import { StandingLine } from '../standing/StandingLine';

const minuteMs = 60_000;
const hourMs = 60 * minuteMs;

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    head: {
      paddingHorizontal: space.l,
      paddingTop: space.m,
      gap: space.s,
      backgroundColor: colours.paper,
      borderBottomWidth: 1,
      borderColor: colours.ink,
    },
    top: { flexDirection: 'row', flexWrap: 'wrap', justifyContent: 'space-between', columnGap: space.m },
    who: { flexDirection: 'row', alignItems: 'center', gap: space.m },
    tabs: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.l },
    tab: { minHeight: target, justifyContent: 'center', borderBottomWidth: 4, borderColor: 'transparent' },
    here: { borderColor: colours.saffron },
  }),
);

/** The head of the first place: today to scale, and the switch between who still waits and everything. */
export function PlaceHead({ at }: { at: 'loose' | 'everything' | 'rooms' }) {
  const styles = useStyles();
  const { colours } = useTheme();
  const zone = useAppSelector(selectZone);
  const office = useAppSelector(selectOffice);
  const me = useAppSelector(selectMe);
  const records = useAppSelector((state) => state.history.records);
  const now = useNow(minuteMs);
  const midnight = startOfLocalDay(now, zone);
  const hourOf = (instant: number) => (instant - midnight) / hourMs;
  const firstOlder = records.findIndex((record) => record.startedAt < midnight);
  const today = firstOlder < 0 ? records : records.slice(0, firstOlder);
  const unread = useAppSelector(selectUnreadInRooms);
  const person = office.people.get(me.personId);
  return (
    <View style={styles.head}>
      <View style={styles.top}>
        <Txt as="mono" colour={colours.faint}>
          {formatDayAndClock(now, now, zone)}
        </Txt>
        <View style={styles.who}>
          <Txt as="mono" colour={colours.faint}>
            {person ? `${person.name.split(' ')[0]} · ${person.extension}` : ''}
          </Txt>
          <HelpMark />
        </View>
      </View>
      <DayScale
        nowHour={hourOf(now)}
        marks={today.map(({ id, startedAt, outcome }) => ({
          key: id,
          hour: hourOf(startedAt),
          taken: outcome !== 'missed' && outcome !== 'refused',
        }))}
      />
      {at === 'loose' ? <StandingLine /> : null}
      <View style={styles.tabs}>
        <Tab href="/" word="Loose ends" isHere={at === 'loose'} />
        <Tab href="/everything" word="Everything" isHere={at === 'everything'} />
        <Tab href="/rooms" word={unread > 0 ? `Rooms ${unread}` : 'Rooms'} isHere={at === 'rooms'} />
      </View>
    </View>
  );
}

function Tab({
  href,
  word,
  isHere,
}: {
  href: '/' | '/everything' | '/rooms';
  word: string;
  isHere: boolean;
}) {
  const styles = useStyles();
  const { colours } = useTheme();
  // Beside a person, a record or a call it is theirs to be the first heading.
  const isAlone = usePathname() === href;
  const press = useLinkPress();
  return (
    <Link
      href={href}
      onPress={(event) => void press(event, href)}
      aria-current={isHere ? 'page' : undefined}
      asChild
    >
      <Pressable style={StyleSheet.flatten([styles.tab, isHere && styles.here])}>
        <Txt
          as="heading"
          level={isHere ? (isAlone ? 1 : 2) : undefined}
          colour={isHere ? colours.ink : colours.faint}
        >
          {word}
        </Txt>
      </Pressable>
    </Link>
  );
}
