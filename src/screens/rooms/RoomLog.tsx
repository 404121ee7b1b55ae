import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { cannotWrite, mayRead } from '@/core/inbox/messages';
import { actDone, selectMyId, selectOffice, useAppDispatch, useAppSelector } from '@/state/app';
import { comeBack, enterRoom, leaveRoom, selectRoomLog } from '@/state/inbox';
import { Row } from '@/ui/list';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { offerUndo } from '../shared/undoOffer';
import { HelpMark } from '../shared/HelpMark';
import { useGo } from '../shared/useGo';
import { useLayout } from '../shared/useLayout';
import { RoomComposer } from './RoomComposer';
import { RoomPaper } from './RoomPaper';
import { othersIn, roomKind } from './roomWords';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1, minHeight: 0, backgroundColor: colours.sheet },
    head: {
      gap: space.xs,
      padding: space.l,
      backgroundColor: colours.paper,
      borderBottomWidth: 1,
      borderColor: colours.ink,
    },
    acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
    foot: {
      padding: space.m,
      gap: space.s,
      backgroundColor: colours.paper,
      borderTopWidth: 1,
      borderColor: colours.ink,
    },
  }),
);

/** One room: who is in it, what was written, and a line to write on. */
export function RoomLog({ roomId }: { roomId: string }) {
  const styles = useStyles();
  const go = useGo();
  const { isWide } = useLayout();
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const room = useAppSelector((state) => state.inbox.kept.rooms[roomId]);
  const log = useAppSelector((state) => selectRoomLog(state, roomId));
  const isRead = useAppSelector((state) => state.inbox.isRead);
  const [isAsking, setAsking] = useState(false);
  if (!room || !mayRead(room, myId))
    return (
      <EmptyState
        level={1}
        title={isRead ? 'No such room' : 'Reading'}
        sentence={isRead ? 'It was closed, or you have left it.' : 'It is being read from this device.'}
      >
        <Plate kind="main" word="See the rooms" onPress={go.rooms} />
      </EmptyState>
    );
  const obstacle = cannotWrite(room, myId);
  const isMember = room.memberIds.includes(myId);
  const isOver = room.closedAt !== null;
  const leave = () => {
    const said = `You have left ${room.name}.`;
    void dispatch(leaveRoom(roomId));
    dispatch(actDone(said));
    offerUndo({ said, what: `back in ${room.name}`, undo: () => void dispatch(comeBack(roomId)) });
    if (!room.isOpen) go.rooms();
  };
  return (
    <View style={styles.screen}>
      <View style={styles.head}>
        <Txt as="title" level={1} lines={2}>
          {room.name}
        </Txt>
        <Txt as="small">{`${roomKind(room)}, with ${othersIn(room, myId, office)}`}</Txt>
        <View style={styles.acts}>
          {isMember && !isOver ? (
            <>
              <Plate word="Invite somebody" onPress={() => setAsking(true)} />
              <Plate word="Leave" label={`Leave ${room.name}`} onPress={leave} />
            </>
          ) : null}
          {isWide ? null : <Plate word="Back" onPress={go.rooms} />}
          <HelpMark />
        </View>
      </View>
      {log.length === 0 ? (
        <View style={styles.screen}>
          <EmptyState title="Nothing is written yet" sentence="The first line is yours." />
        </View>
      ) : (
        <RoomPaper log={log} isMember={isMember} />
      )}
      {obstacle === null ? <RoomComposer room={room} /> : null}
      {obstacle === 'ended' ? (
        <View style={styles.foot}>
          <Txt as="small">
            {room.callId === null
              ? 'It is closed: nothing more is written in it.'
              : 'It ended with its call.'}
          </Txt>
        </View>
      ) : null}
      {obstacle === 'notInIt' ? (
        <View style={styles.foot}>
          <Txt as="small">You are reading it from outside, so nothing in it counts as unread.</Txt>
          <Plate kind="main" word="Come in" onPress={() => dispatch(enterRoom(roomId, myId))} />
        </View>
      ) : null}
      {isAsking ? (
        <Sheet title="Invite somebody" onClose={() => setAsking(false)}>
          {office.setup.people
            .filter(({ id }) => !room.memberIds.includes(id))
            .map(({ id, name, role }) => (
              <Row
                key={id}
                title={name}
                detail={role}
                onPress={() => {
                  dispatch(enterRoom(roomId, id));
                  setAsking(false);
                }}
              />
            ))}
        </Sheet>
      ) : null}
    </View>
  );
}
