import { useLocalSearchParams } from 'expo-router';

import { EmptyState } from '@/ui/notice';

import { Columns } from '../shared/Columns';
import { RoomList } from './RoomList';
import { RoomLog } from './RoomLog';

/** Where colleagues write to each other: the rooms, and what is written in the one that the address names. */
export function RoomsScreen() {
  const { id } = useLocalSearchParams<{ id?: string }>();
  return (
    <Columns
      narrow={id === undefined ? 'list' : 'detail'}
      list={<RoomList selectedId={id} />}
      detail={
        id === undefined ? (
          <EmptyState title="No room chosen" sentence="What is written in a room stands here." />
        ) : (
          <RoomLog key={id} roomId={id} />
        )
      }
    />
  );
}
