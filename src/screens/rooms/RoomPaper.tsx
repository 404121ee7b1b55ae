import { memo, useEffect, useMemo, useRef, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import type { Message } from '@/core/inbox/messages';
import { formatClock, formatDay, startOfLocalDay } from '@/core/shared/time';
import { selectOffice, selectZone, useAppDispatch, useAppSelector, useNow } from '@/state/app';
import { markRead } from '@/state/inbox';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { MessageWords } from '../looseEnds/MessageWords';
import { useAskedLine } from '../shared/useAskedLine';
import { useOwnLineInView } from '../shared/useOwnLineInView';
import { authorOf } from './roomWords';

const minuteMs = 60_000;
/** So many lines are drawn at first; more on demand, so that a room of years opens at once. */
const shownAtOnce = 60;
const shownMore = 200;
/** So near to its end a log follows what is written. */
const footReach = 80;

const useStyles = themed(({ colours, size }) =>
  StyleSheet.create({
    scroll: { flex: 1, minHeight: 0 },
    paper: { paddingHorizontal: space.l, paddingBottom: space.l },
    day: { paddingTop: space.l, paddingBottom: space.xs, borderBottomWidth: 1, borderColor: colours.ink },
    row: {
      flexDirection: 'row',
      gap: space.m,
      paddingVertical: space.s,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    time: { width: size(48), paddingTop: 2 },
    words: { flex: 1, minWidth: 0, paddingLeft: space.m, borderLeftWidth: 2, borderColor: colours.rule },
    lit: { borderLeftWidth: 4, borderColor: colours.saffron },
    ours: { borderLeftWidth: 0, paddingLeft: 0, alignItems: 'flex-end' },
  }),
);

/** What several wrote, on ruled paper: time in the gutter, who before the words; the newest at the foot. */
export function RoomPaper({ log, isMember }: { log: readonly Message[]; isMember: boolean }) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const zone = useAppSelector(selectZone);
  const now = useNow(minuteMs);
  const scroll = useRef<ScrollView>(null);
  const asked = useAskedLine((id) => log.some((message) => message.id === id));
  const fromAsked = log.length - log.findIndex(({ id }) => id === asked.id);
  const least = fromAsked <= log.length ? Math.max(shownAtOnce, fromAsked + 10) : shownAtOnce;
  const [more, setMore] = useState(0);
  const most = least + more;
  const newest = log.at(-1);
  useOwnLineInView(scroll, newest?.id, newest?.direction === 'out');
  const isAtFoot = useRef(asked.id === null);
  const unread = useMemo(
    () => log.filter(({ direction, readAt }) => direction === 'in' && readAt === null).map(({ id }) => id),
    [log],
  );
  useEffect(() => {
    if (isMember && unread.length > 0) dispatch(markRead(unread));
  }, [dispatch, isMember, unread]);
  let day = NaN;
  return (
    <ScrollView
      ref={scroll}
      tabIndex={0}
      style={styles.scroll}
      contentContainerStyle={styles.paper}
      onContentSizeChange={() => isAtFoot.current && scroll.current?.scrollToEnd({ animated: false })}
      scrollEventThrottle={100}
      onScroll={({ nativeEvent: { contentOffset, contentSize, layoutMeasurement } }) => {
        isAtFoot.current = contentOffset.y + layoutMeasurement.height >= contentSize.height - footReach;
      }}
    >
      {log.length > most ? (
        <Plate word={`Earlier, ${log.length - most} more`} onPress={() => setMore(more + shownMore)} />
      ) : null}
      <View role="list" aria-label="What was written">
        {log.slice(-most).map((message) => {
          const own = startOfLocalDay(message.at, zone);
          const isNewDay = own !== day;
          day = own;
          return (
            <View key={message.id} role="listitem" {...asked.marks(message.id)}>
              {isNewDay ? (
                <View style={styles.day}>
                  <Txt as="heading" level={2}>
                    {formatDay(message.at, now, zone)}
                  </Txt>
                </View>
              ) : null}
              <RoomLine message={message} isLit={message.id === asked.id} />
            </View>
          );
        })}
      </View>
    </ScrollView>
  );
}

/** One line; not drawn again when another is written. */
const RoomLine = memo(function RoomLine({ message, isLit }: { message: Message; isLit: boolean }) {
  const styles = useStyles();
  const { colours } = useTheme();
  const office = useAppSelector(selectOffice);
  const zone = useAppSelector(selectZone);
  const isOurs = message.direction === 'out';
  return (
    <View style={[styles.row, isLit && styles.lit]}>
      <View style={styles.time}>
        <Txt as="mono" colour={colours.faint}>
          {formatClock(message.at, zone)}
        </Txt>
      </View>
      <View style={[styles.words, isOurs && styles.ours]}>
        {isOurs ? null : <Txt as="strong">{authorOf(message, office)}</Txt>}
        <MessageWords message={message} />
      </View>
    </View>
  );
});
