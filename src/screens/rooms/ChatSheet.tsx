import { useEffect } from 'react';
import { StyleSheet, View } from 'react-native';

import { selectMyId, selectOffice, useAppDispatch, useAppSelector, type CallView } from '@/state/app';
import { chatOfCall, selectRoomLog } from '@/state/inbox';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { RoomComposer } from './RoomComposer';
import { RoomPaper } from './RoomPaper';
import { othersIn } from './roomWords';

/** What the colleagues of a call write to each other while it goes on; those on plain phones take no part. */
export function ChatSheet({ view, onClose }: { view: CallView; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const room = useAppSelector((state) => state.inbox.kept.rooms[view.id]);
  const log = useAppSelector((state) => selectRoomLog(state, view.id));
  const others = view.others.flatMap(({ personId }) => personId ?? []).join();
  useEffect(() => {
    dispatch(chatOfCall(view.id, [myId, ...others.split(',')]));
  }, [dispatch, view.id, myId, others]);
  return (
    <Sheet title="Chat of this call" onClose={onClose}>
      {room ? (
        <View style={styles.stack}>
          <Txt as="small">{`With ${othersIn(room, myId, office)}. It ends with the call.`}</Txt>
          <RoomPaper log={log} isMember />
          <RoomComposer room={room} />
        </View>
      ) : null}
    </Sheet>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.m } });
