import { useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import { formatDayAndClock } from '@/core/shared/time';
import { selectMyId, selectOffice, selectZone, useAppSelector, useNow } from '@/state/app';
import { selectRooms, type RoomView } from '@/state/inbox';
import { Row } from '@/ui/list';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { PlaceHead } from '../everything/PlaceHead';
import { useGo } from '../shared/useGo';
import { NewRoomSheet } from './NewRoomSheet';
import { authorOf, roomKind } from './roomWords';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    whole: { flex: 1, minHeight: 0 },
    scroll: { flex: 1, minHeight: 0 },
    selected: { borderLeftWidth: 4, borderColor: colours.saffron },
    foot: {
      padding: space.m,
      backgroundColor: colours.paper,
      borderTopWidth: 1,
      borderColor: colours.ink,
    },
  }),
);

/** The rooms the worker may read, the one written in last first. */
export function RoomList({ selectedId }: { selectedId: string | undefined }) {
  const styles = useStyles();
  const go = useGo();
  const rooms = useAppSelector(selectRooms);
  const isRead = useAppSelector((state) => state.inbox.isRead);
  const [isOpening, setOpening] = useState(false);
  return (
    <View style={styles.whole}>
      <ScrollView style={styles.scroll} tabIndex={0}>
        <PlaceHead at="rooms" />
        {rooms.length === 0 ? (
          <EmptyState
            title={isRead ? 'No rooms yet' : 'Reading the rooms'}
            sentence={
              isRead
                ? 'Open one, and colleagues write to each other in it.'
                : 'It is being read from this device.'
            }
          />
        ) : null}
        <View role="list" aria-label="Rooms">
          {rooms.map((view) => (
            <View
              key={view.room.id}
              role="listitem"
              style={view.room.id === selectedId ? styles.selected : null}
            >
              <RoomRow view={view} onPress={() => go.room(view.room.id)} />
            </View>
          ))}
        </View>
      </ScrollView>
      <View style={styles.foot}>
        <Plate word="Open a new room" onPress={() => setOpening(true)} />
      </View>
      {isOpening ? <NewRoomSheet onClose={() => setOpening(false)} /> : null}
    </View>
  );
}

function RoomRow({ view: { room, newest, unread }, onPress }: { view: RoomView; onPress: () => void }) {
  const { colours } = useTheme();
  const office = useAppSelector(selectOffice);
  const zone = useAppSelector(selectZone);
  const now = useNow(60_000);
  const myId = useAppSelector(selectMyId);
  const words = newest
    ? `${authorOf(newest, office)}: ${newest.text}`
    : room.memberIds.includes(myId)
      ? 'Nothing is written yet.'
      : 'You are not in it.';
  return (
    <Row
      title={room.name}
      detail={words}
      onPress={onPress}
      after={
        <View>
          <Txt as="mono" colour={colours.faint}>
            {newest ? formatDayAndClock(newest.at, now, zone) : roomKind(room)}
          </Txt>
          {unread > 0 ? (
            <Txt as="small" colour={colours.ink}>
              {`${unread} new`}
            </Txt>
          ) : (
            <Txt as="small">{roomKind(room)}</Txt>
          )}
        </View>
      }
    />
  );
}
