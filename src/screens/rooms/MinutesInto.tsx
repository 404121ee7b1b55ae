import { useAppDispatch, useAppSelector, type CallView } from '@/state/app';
import { keepMinutes, selectRooms } from '@/state/inbox';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';

/** Into which room the minutes of a meeting go: one tap writes them there. */
export function MinutesInto({ view, onDone }: { view: CallView; onDone: () => void }) {
  const dispatch = useAppDispatch();
  const rooms = useAppSelector(selectRooms).filter(({ room }) => room.callId === null);
  if (rooms.length === 0)
    return <Txt as="small">You are in no room yet that they could be written into.</Txt>;
  return (
    <>
      <Txt as="small">Who was there, how long, and the chat are written into</Txt>
      {rooms.map(({ room }) => (
        <Plate
          key={room.id}
          word={room.name}
          label={`Minutes into ${room.name}`}
          onPress={async () => {
            if (await dispatch(keepMinutes(view, room))) onDone();
          }}
        />
      ))}
    </>
  );
}
