import { useEffect, useMemo, useRef } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import type { Message } from '@/core/messages';
import { formatClock, formatDay, startOfLocalDay } from '@/core/time';
import { selectOffice, selectZone, useAppDispatch, useAppSelector, useNow } from '@/state/app';
import { markRead } from '@/state/catchUp';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { MessageWords } from '../looseEnds/MessageWords';
import { authorOf } from './roomWords';

const minuteMs = 60_000;

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
    ours: { borderLeftWidth: 0, paddingLeft: 0, alignItems: 'flex-end' },
  }),
);

/** What several wrote, on ruled paper: time in the gutter, who before the words; the newest at the foot. */
export function RoomPaper({ log, isMember }: { log: readonly Message[]; isMember: boolean }) {
  const styles = useStyles();
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const zone = useAppSelector(selectZone);
  const now = useNow(minuteMs);
  const scroll = useRef<ScrollView>(null);
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
      onContentSizeChange={() => scroll.current?.scrollToEnd({ animated: false })}
    >
      <View role="list" aria-label="What was written">
        {log.map((message) => {
          const own = startOfLocalDay(message.at, zone);
          const isNewDay = own !== day;
          day = own;
          const isOurs = message.direction === 'out';
          return (
            <View key={message.id} role="listitem">
              {isNewDay ? (
                <View style={styles.day}>
                  <Txt as="heading" level={2}>
                    {formatDay(message.at, now, zone)}
                  </Txt>
                </View>
              ) : null}
              <View style={styles.row}>
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
            </View>
          );
        })}
      </View>
    </ScrollView>
  );
}
